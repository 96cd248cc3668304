import { spokenZones } from '@/core/outline/spoken';
import type { Cover } from '@/core/outline/zones';
import { SPRAYING } from '@/core/paint/spraying';
import type { Joint, Lane, Stage } from '@/core/work/kinds';
import { byHand } from '@/core/work/making';
import { minutesOf, minutesSaid } from '@/core/work/minutes';
import { layerOfCoat } from '@/core/work/layer';
import { stepOf, type Route, type RouteStep } from '@/core/work/step';
import { handledBy } from './by-way';
import { ITEM_M2, type RouteCall, type RouteItem } from './call';
import { coatOf, loadOf } from './call-coat';
import type { Addition } from './insert';
import { markingLayer } from './painted-marking';
import type { RouteInput } from './route-input';
import { rulesAfter } from './rules';
import type { After } from './rules/rule';

/** Things of their own on zones, painted by hand: a handle, a cushion, a camera. Each is a step, and no spray of what it lies on. */

/** How far the edge of such a thing runs on the real machine, m: that of a cushion. */
const ITEM_EDGE_M = 1;

/** Where each is painted: once what is round it is, before that is worked over. */
const WHERE: Readonly<Record<Cover, { joint: Joint; lane: Lane; stage: Stage }>> = {
  inside: { joint: 'interior', lane: 'Cockpit', stage: 'interior' },
  bays: { joint: 'bays', lane: 'Wings', stage: 'interior' },
  apart: { joint: 'parts', lane: 'Gear, stores', stage: 'small-parts' },
  outside: { joint: 'colours', lane: 'Whole', stage: 'colours' },
};

type ItemInput = Pick<RouteInput, 'outline' | 'denominator' | 'climate' | 'coats' | 'coated' | 'callFor'>;

export function itemAdditions(items: readonly RouteItem[], covered: Route['covered'], input: ItemInput): Addition[] {
  return items.flatMap(({ zone, item, call }): Addition[] => {
    const cover = (Object.keys(WHERE) as Cover[]).find((one) => covered[one].includes(zone));
    // What nobody will see is not painted.
    return cover ? paintedItem({ zone, item, call }, WHERE[cover], input) : [];
  });
}

/** A thing of its own with the coats that are ruled to lie under its colour, one after the other, and what is chipped or scratched of it. */
function paintedItem(
  { zone, item, call }: RouteItem,
  { joint, lane, stage }: (typeof WHERE)[Cover],
  input: ItemInput,
): Addition[] {
  const { outline, denominator, coats, coated = [], callFor } = input;
  const where = `${item}, ${spokenZones(outline.zones, [zone])}`;
  const key = `item:${zone}:${item}`;
  const work = byHand({
    areaCm2: (ITEM_M2 * 1e4) / denominator ** 2,
    edgeMm: (ITEM_EDGE_M * 1000) / denominator,
  });
  const minutes = HANDLED + minutesOf(work);
  const minutesFrom = `${HANDLED} min to take it up, ${minutesSaid(work)}`;
  const own = { family: 'marking' as const, stage, zones: [zone], minutesFrom };
  const coatOn = (at: string, one: RouteCall, why: string): RouteStep => {
    const load = loadOf(one);
    return stepOf(at, `${one.name || one.code}: ${where}`, 'brush', lane, minutes, {
      ...own,
      code: one.code,
      lays: [{ ...markingLayer('marking', one.paint?.label ?? item), ...coatOf(one), code: one.code }],
      ...handledBy('brush', load, SPRAYING[load.chemistry].caution),
      why,
    });
  };
  const of = coated.find((one) => one.zone === zone && one.item === item);
  const made: Addition[] = [];
  let after: After = joint;
  const next = (step: RouteStep, then: After) => {
    made.push({ step, after: [after], before: [] });
    after = then;
  };
  (of?.under ?? []).forEach((code, i) => {
    const at = `${key}:under:${i}`;
    if (code === null) {
      const fluid = { ...own, lays: [layerOfCoat(coats.chipping)], why: 'what lies under it shows in the chips' };
      next(stepOf(at, `Chipping fluid: ${where}`, 'brush', lane, minutes, fluid), { step: at, wait: 'chipFluid' });
    } else
      next(coatOn(at, callFor(code), 'as it is ruled: it shows where what lies over it is worn'), {
        step: at,
        until: 'recoat',
        why: 'it may be painted over',
      });
  });
  const isFluid = of?.under.at(-1) === null;
  next(
    coatOn(key, call, 'by hand, over what is round it: nothing is masked for it'),
    isFluid ? { step: key, wait: 'chipColour' } : { step: key, until: 'handle', why: 'it may be handled' },
  );
  if (isFluid || of?.scratched) {
    const title = isFluid ? `Wet and chip: ${where}` : `Scratch through: ${where}`;
    next(
      stepOf(`${key}:worn`, title, 'chip', lane, minutes, { ...own, why: 'down to the coat under it, and no deeper' }),
      key,
    );
  }
  const rules = rulesAfter(joint).map((rule) => rule.key);
  return made.map((one, i) => ({ ...one, before: i === made.length - 1 ? rules : [made[i + 1]!.step.key] }));
}

/** A small thing is found, held and turned, minutes. */
const HANDLED = 3;
