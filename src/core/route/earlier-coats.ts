import { mainCoat } from '@/core/evidence/layers';
import { spokenZones } from '@/core/outline/spoken';
import { dryingTime, type Climate } from '@/core/paint/drying';
import { modelAreaOfZones } from '@/core/outline/outline';
import { minutesOf, minutesSaid, type Work } from '@/core/work/minutes';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import type { RouteInput } from './route-input';
import { DUST } from './rules/cautions';
import { coatLaid, sprayStep } from './spray-run';

/** Coats, patches and additions round the visible coat of a zone, in the order in which they came. */
export interface LayerSteps {
  /** Before the zone's main coat, each with the sanding that it takes before anything covers it. */
  under: { coat: RouteStep; sand: RouteStep }[];
  /** After it. */
  over: RouteStep[];
}

export function layerSteps(input: RouteInput): LayerSteps {
  const { layers, callFor, markings, outline } = input;
  const steps: LayerSteps = { under: [], over: [] };
  for (const { zone, layers: stack } of layers) {
    const main = mainCoat(stack);
    stack.forEach((layer, i) => {
      // A temporary finish comes over the markings, when they are sealed.
      if (i === main || layer.value === null || layer.kind === 'temporary') return;
      // What is a marking of its own has its own steps.
      if (markings.some((marking) => marking.name.toLowerCase() === layer.value!.toLowerCase())) return;
      const call = { ...callFor(layer.value), zones: [zone] };
      const what = call.name || call.code;
      const laid = i < main ? 'Earlier coat' : layer.kind === 'overpaint' ? 'Patch over' : 'Add';
      const title = `${laid}: ${what} on ${spokenZones(outline.zones, [zone])}`;
      const step = sprayStep(`layer:${zone}:${layer.kind}:${layer.value}`, title, 'Whole', call, input);
      step.family = 'earlier coat';
      step.stage = 'colours';
      step.why =
        i < main
          ? 'laid down first: its edge shows under the later coat'
          : layer.showsUnder
            ? 'over the finished coat: thin, what is under it still shows'
            : 'over the finished coat';
      if (i < main) steps.under.push({ coat: step, sand: sandedBack(step, what, zone, input) });
      else steps.over.push(step);
    });
  }
  return steps;
}

/** Old paint is sanded before the new comes over it: its edge may be seen, its grain and its dust may not. */
function sandedBack(coat: RouteStep, what: string, zone: string, { outline, denominator }: RouteInput): RouteStep {
  const work: Work = { kind: 'wipe', areaCm2: modelAreaOfZones(outline, [zone], denominator) };
  const title = `Sand the earlier ${what} on ${spokenZones(outline.zones, [zone])}, wet and fine`;
  return stepOf(`${coat.key}:sand`, title, 'sand', coat.lane, minutesOf(work), {
    minutesFrom: minutesSaid(work),
    family: 'earlier coat',
    stage: 'colours',
    zones: [zone],
    splittable: true,
    cautions: [DUST],
    why: 'between the old and the new: what shows through is its edge, not its grain',
  });
}

/** What comes behind a coat, once it is so dry. */
const onceDry = (coat: RouteStep, until: 'mask' | 'cure', to: string, bears: string, climate: Climate): RouteLink => ({
  from: coat.key,
  to,
  minLag: dryingTime(coatLaid(coat), until, climate),
  maxLag: null,
  why: `${coat.load?.title ?? coat.title} ${bears}`,
});

/** What was laid is sanded once it is hard. */
export const sandOnce = ({ coat, sand }: LayerSteps['under'][number], climate: Climate): RouteLink =>
  onceDry(coat, 'cure', sand.key, 'is hard enough to be sanded', climate);

/** A coat waits until what lies under it bears it. */
export const overCoat = (below: RouteStep, to: string, climate: Climate): RouteLink =>
  onceDry(below, 'mask', to, 'bears the next coat', climate);
