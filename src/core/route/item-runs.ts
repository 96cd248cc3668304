import { spokenZones } from '@/core/outline/spoken';
import type { Cover } from '@/core/outline/zones';
import { SPRAYING } from '@/core/paint/spraying';
import type { Joint, Lane, Stage } from '@/core/work/kinds';
import { byHand } from '@/core/work/making';
import { minutesOf, minutesSaid } from '@/core/work/minutes';
import { stepOf, type Route } from '@/core/work/step';
import { handledBy } from './by-way';
import { ITEM_M2, type RouteItem } from './call';
import { coatOf, loadOf } from './call-coat';
import type { Addition } from './insert';
import { markingLayer } from './painted-marking';
import type { RouteInput } from './route-input';
import { rulesAfter } from './rules';

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

export function itemAdditions(
  items: readonly RouteItem[],
  covered: Route['covered'],
  { outline, denominator }: Pick<RouteInput, 'outline' | 'denominator'>,
): Addition[] {
  return items.flatMap(({ zone, item, call }): Addition[] => {
    const cover = (Object.keys(WHERE) as Cover[]).find((one) => covered[one].includes(zone));
    // What nobody will see is not painted.
    if (!cover) return [];
    const { joint, lane, stage } = WHERE[cover];
    const work = byHand({
      areaCm2: (ITEM_M2 * 1e4) / denominator ** 2,
      edgeMm: (ITEM_EDGE_M * 1000) / denominator,
    });
    const load = loadOf(call);
    const title = `${call.name || call.code}: ${item}, ${spokenZones(outline.zones, [zone])}`;
    const step = stepOf(`item:${zone}:${item}`, title, 'brush', lane, HANDLED + minutesOf(work), {
      minutesFrom: `${HANDLED} min to take it up, ${minutesSaid(work)}`,
      family: 'marking',
      stage,
      zones: [zone],
      code: call.code,
      lays: [{ ...markingLayer('marking', call.paint?.label ?? item), ...coatOf(call), code: call.code }],
      ...handledBy('brush', load, SPRAYING[load.chemistry].caution),
      why: 'by hand, over what is round it: nothing is masked for it',
    });
    return [{ step, after: [joint], before: rulesAfter(joint).map(({ key }) => key) }];
  });
}

/** A small thing is found, held and turned, minutes. */
const HANDLED = 3;
