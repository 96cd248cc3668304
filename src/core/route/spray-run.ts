import { spokenZones } from '@/core/outline/spoken';
import { WAY_FACTS } from '@/core/kit/applying';
import { dryingTime, type Coat } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import { counted } from '@/core/units/words';
import type { Lane } from '@/core/work/kinds';
import { minutesOf, minutesSaid } from '@/core/work/minutes';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import type { CoatedZone, RouteCall } from './call';
import { ASSUMED_CHEMISTRY, chemistryOf, coatOf, groundFor, loadOf } from './call-coat';
import { coatStep, driedBy, handledBy } from './by-way';
import { primersUnder } from './general-coats';
import type { RouteInput } from './route-input';
import { paintingWork } from './takes';

/** One colour as it is laid: by its way of applying, with its own ground under it and its filter over it. */

const coatsInWords = (coats: number | null): string => (coats === null ? '' : counted(coats, 'coat'));

/** Coats that are planned where nobody can tell. */
export const USUAL_COATS = 2;

export function sprayStep(
  key: string,
  title: string,
  lane: Lane,
  call: RouteCall,
  input: Pick<RouteInput, 'outline' | 'denominator'>,
  edgeMm = 0,
): RouteStep {
  const chemistry = chemistryOf(call);
  const way = call.way ?? 'airbrush';
  const facts = WAY_FACTS[way];
  const coats = call.coats ?? USUAL_COATS;
  // A coat that has to dry before the next leaves time to stop after it.
  const dries = facts.between > 0 && coats > 1;
  const work = paintingWork(way, coats, call.zones, input, edgeMm);
  const { kind, ...handled } = handledBy(way, loadOf(call), SPRAYING[chemistry].caution);
  return stepOf(key, title, kind, lane, minutesOf(work), {
    ...handled,
    passes: coats,
    splittable: dries,
    family: 'colour',
    lays: [{ what: 'colour', ...laidBy(call), code: call.code, paint: call.paint?.label ?? '', coats }],
    code: call.code,
    minutesFrom: [minutesSaid(work), ...(dries ? [`${facts.between} min to dry between coats are no work`] : [])].join(
      '; ',
    ),
    zones: call.zones,
    why: [
      call.paint ? coatsInWords(call.coats) : 'no paint chosen yet: planned as a water-based acrylic',
      way === 'brush' && edgeMm > 0 ? 'the first thin coat against a guide line of tape, the rest freehand' : '',
      way === 'airbrush' ? '' : `by ${way}${call.wayBecause ? `: ${call.wayBecause}` : ''}`,
    ]
      .filter(Boolean)
      .join('; '),
  });
}

/** A colour as it dries by its way of applying. */
export const laidBy = (call: RouteCall): Coat => driedBy(call.way ?? 'airbrush', coatOf(call));

/** What a step laid, as far as drying goes. */
export const coatLaid = (step: RouteStep): Coat => step.lays.at(-1) ?? step.load ?? { chemistry: ASSUMED_CHEMISTRY };

/** What is ruled to lie under a colour on its zones. */
export const coatedUnder = ({ code, zones }: RouteCall, { coated = [] }: Pick<RouteInput, 'coated'>): CoatedZone[] =>
  coated.filter(({ zone, item, over }) => item === '' && over === code && zones.includes(zone));

/** Zones of a call on which no other colour is ruled to lie under it. */
export function bareZones(call: RouteCall, input: Pick<RouteInput, 'coated'>): string[] {
  const lain = new Set(coatedUnder(call, input).map(({ zone }) => zone));
  return call.zones.filter((zone) => !lain.has(zone));
}

/** A spray with what is laid under it and over it for this colour alone. */
export interface SprayRun {
  spray: RouteStep;
  steps: RouteStep[];
  links: RouteLink[];
  first: string;
  last: RouteStep;
}

export function sprayRun(spray: RouteStep, call: RouteCall, where: string, input: RouteInput): SprayRun {
  const { climate, general } = input;
  const bare = bareZones(call, input);
  const run: SprayRun = { spray, steps: [spray], links: [], first: spray.key, last: spray };
  const name = call.name || call.code;
  if (call.ground && bare.length > 0) {
    const chemistry = groundFor(chemistryOf(call), primersUnder(bare, input));
    const what = call.ground.toLowerCase();
    const title = `${call.ground} ground`;
    const ground = coatStep(
      `${spray.key}:ground`,
      `Lay ${what} under ${name} on ${bare.length === call.zones.length ? where : spokenZones(input.outline.zones, bare)}`,
      spray.lane,
      general,
      {
        load: { id: `ground ${call.ground}`, title, chemistry, kind: 'solid', lightness: 60 },
        family: 'ground',
        stage: spray.stage,
        schools: ['undercoats'],
        lays: [{ what: 'undercoat', chemistry, code: null, paint: title, coats: 1 }],
        zones: bare,
        why: `the ground that was chosen for ${name}`,
      },
      input,
    );
    run.steps.unshift(ground);
    run.first = ground.key;
    run.links.push({
      from: ground.key,
      to: spray.key,
      minLag: dryingTime(coatLaid(ground), 'recoat', climate),
      maxLag: null,
      why: 'the ground may be painted over',
    });
  }
  if (call.filter) {
    const { label, percent, passes, ...coat } = call.filter;
    const title = `${percent} % ${label}`;
    const filter = coatStep(
      `${spray.key}:filter`,
      `Filter over ${name} on ${where}: ${title}`,
      spray.lane,
      general,
      {
        passes,
        load: { ...coat, id: `filter ${label}`, title, kind: 'wash', lightness: 80 },
        family: 'filter',
        stage: spray.stage,
        lays: [{ what: 'tone', ...coat, code: null, paint: title, coats: 1 }],
        zones: call.zones,
        why: `${counted(passes, 'wet pass')}, each left to dry: the colour must still show`,
      },
      input,
    );
    run.steps.push(filter);
    run.last = filter;
    run.links.push({
      from: spray.key,
      to: filter.key,
      minLag: dryingTime(laidBy(call), 'recoat', climate),
      maxLag: null,
      why: `${name} may be painted over`,
    });
  }
  return run;
}
