import { spokenZones } from '@/core/outline/spoken';
import { dryingTime } from '@/core/paint/drying';
import { capital } from '@/core/units/words';
import type { Lane, Stage } from '@/core/work/kinds';
import type { RouteStep } from '@/core/work/step';
import type { RouteCall } from './call';
import { coatsUnder } from './coats-under';
import { ASSUMED_CHEMISTRY } from './call-coat';
import { lightToDark } from './colour-order';
import { coatStep } from './by-way';
import type { Insert } from './insert';
import type { RouteInput } from './route-input';
import { coatLaid, sprayRun, sprayStep, USUAL_COATS } from './spray-run';

/** A part of the model whose colours are let in together: how the keys of its steps begin, whose lane and stage they are in. */
export interface Part {
  prefix: string;
  lane: Lane;
  stage: Stage;
}

/** The step that zones without a ruled colour have all the same; null for none. */
export function openStep(
  { prefix, lane, stage }: Part,
  zones: readonly string[],
  input: Pick<RouteInput, 'outline' | 'denominator' | 'general'>,
): RouteStep | null {
  if (zones.length === 0) return null;
  const chemistry = ASSUMED_CHEMISTRY;
  const step = coatStep(
    `open:${prefix}`,
    `${capital(spokenZones(input.outline.zones, zones))}: colour open`,
    lane,
    input.general,
    {
      passes: USUAL_COATS,
      load: { id: 'open', title: 'not decided', chemistry, kind: 'solid', lightness: 50 },
      open: true,
      family: 'open',
      stage,
      zones: [...zones],
      lays: [{ what: 'colour', chemistry, code: null, paint: 'not decided', coats: USUAL_COATS }],
      why: 'nothing is ruled: Evidence asks for it; planned as a water-based acrylic',
    },
    input,
  );
  // What nobody has decided is no filling to be cleaned out for.
  return { ...step, load: null };
}

/** Colours of what is painted by itself, and what of it nobody has ruled yet. */
export function simpleSprays(
  part: Part,
  calls: readonly RouteCall[],
  open: readonly string[],
  input: RouteInput,
): Insert {
  const { climate, outline } = input;
  const { prefix, lane, stage } = part;
  const undecided = openStep(part, open, input);
  const runs = lightToDark(calls).map((call) => {
    const where = spokenZones(outline.zones, call.zones);
    const title = `${call.name || call.code} on ${where}`;
    const spray = { ...sprayStep(`${prefix}:${call.code}`, title, lane, call, input), stage };
    const run = sprayRun(spray, call, where, input);
    return { ...run, under: coatsUnder(run, call, input) };
  });
  if (undecided) {
    const { key } = undecided;
    const under = { steps: [], links: [], begins: [key], worn: [] };
    runs.push({ spray: undecided, steps: [undecided], links: [], first: key, last: undecided, under });
  }
  return {
    steps: runs.flatMap(({ steps, under }) => [...under.steps, ...steps, ...under.worn]),
    links: runs.flatMap(({ links, under }) => [...under.links, ...links]),
    first: runs.flatMap(({ under }) => under.begins),
    last: runs.flatMap(({ last, under }) => [
      {
        key: last.key,
        wait: dryingTime(coatLaid(last), 'recoat', climate),
        why: `${last.load?.title ?? last.code ?? last.title} may be worked over`,
      },
      ...under.worn.map(({ key }) => ({ key, wait: 0, why: 'it is worn' })),
    ]),
  };
}
