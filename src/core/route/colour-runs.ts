import { WAY_FACTS, type Way } from '@/core/kit/applying';
import { mainCoat } from '@/core/evidence/layers';
import { spokenZones } from '@/core/outline/spoken';
import { layOver } from '@/core/paint/chemistry';
import { dryingOf, dryingTime, type Climate, type Coat } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import { counted } from '@/core/units/words';
import type { Minutes } from '@/core/units/minutes';
import { ASSUMED_CHEMISTRY, chemistryOf, coatOf, loadOf } from './call-coat';
import type { RouteInput } from './route-input';
import { TAPE } from './rules/cautions';
import { GENERAL_COATS, type Lane } from './rules/rule';
import { stepOf, type Insert, type RouteCall, type RouteLink, type RouteStep, type StepLayer } from './step';

/** Runs of steps that the colours add: sprays, masks between them, older coats under them, painted markings over them. */

const coatsInWords = (coats: number | null): string => (coats === null ? '' : counted(coats, 'coat'));

export const markingLayer = (what: 'marking' | 'decal', paint: string): StepLayer => ({
  what,
  chemistry: ASSUMED_CHEMISTRY,
  code: null,
  paint,
  coats: 1,
  covers: null,
});

/** Minutes of a spray are reckoned for so many coats; each more or fewer takes a part of them. */
const USUAL_COATS = 2;
const MINUTES_A_COAT = 0.3;

function sprayStep(key: string, title: string, lane: Lane, minutes: Minutes, call: RouteCall): RouteStep {
  const chemistry = chemistryOf(call);
  const way = call.way ?? 'airbrush';
  const facts = WAY_FACTS[way];
  const coats = call.coats ?? USUAL_COATS;
  const zones = counted(call.zones.length, 'zone');
  const [taken, from] =
    way === 'airbrush'
      ? [
          Math.round(minutes * (1 + MINUTES_A_COAT * (coats - USUAL_COATS))),
          `${minutes} min for ${counted(USUAL_COATS, 'coat')} on ${zones}, ${MINUTES_A_COAT * 100} % of it for each coat more or less: ${counted(coats, 'coat')}`,
        ]
      : [
          coats * facts.minutesACoat * call.zones.length + (coats - 1) * facts.between,
          `${counted(coats, 'coat')} of ${facts.minutesACoat} min on ${zones}, ${facts.between} min between them`,
        ];
  return stepOf(key, title, facts.kind, lane, Math.max(1, taken), {
    load: way === 'airbrush' ? loadOf(call) : null,
    booth: facts.needsBooth,
    layer: {
      what: 'colour',
      ...laidBy(call),
      code: call.code,
      paint: call.paint?.label ?? '',
      coats,
      covers: null,
    },
    code: call.code,
    minutesFrom: from,
    zones: call.zones,
    cautions: [
      ...(facts.kind === 'spray' ? [SPRAYING[chemistry].caution] : []),
      ...(facts.caution ? [facts.caution] : []),
    ],
    why: [
      call.paint ? coatsInWords(call.coats) : 'no paint chosen yet: planned as a water-based acrylic',
      way === 'airbrush' ? '' : `by ${way}${call.wayBecause ? `: ${call.wayBecause}` : ''}`,
    ]
      .filter(Boolean)
      .join('; '),
  });
}

/** A colour as it dries by its way of applying: what a can lays is thick. */
function laidBy(call: RouteCall): Coat {
  const coat = coatOf(call);
  const { dries: times } = WAY_FACTS[call.way ?? 'airbrush'];
  if (times === 1) return coat;
  const { recoat, mask, cure } = dryingOf(coat);
  return { ...coat, dries: { recoat: recoat * times, mask: mask * times, cure: cure * times } };
}

/** What a step laid, as far as drying goes. */
const laid = (step: RouteStep): Coat => step.layer ?? step.load ?? { chemistry: ASSUMED_CHEMISTRY };

/** Before a colour: its edges, or all that a can would reach. */
const MASKING: Record<(typeof WAY_FACTS)[Way]['masking'], { does: string; minutes: Minutes } | null> = {
  'its edges': { does: 'Mask for', minutes: 50 },
  'everything else': { does: 'Mask everything that is not to be', minutes: 80 },
  none: null,
};

/** A spray with what is laid under it and over it for this colour alone. */
interface SprayRun {
  steps: RouteStep[];
  links: RouteLink[];
  first: string;
  last: RouteStep;
}

function sprayRun(spray: RouteStep, call: RouteCall, where: string, climate: Climate): SprayRun {
  const run: SprayRun = { steps: [spray], links: [], first: spray.key, last: spray };
  const name = call.name || call.code;
  if (call.ground) {
    const chemistry = ASSUMED_CHEMISTRY;
    const what = call.ground.toLowerCase();
    const ground = stepOf(`${spray.key}:ground`, `Lay ${what} under ${name} on ${where}`, 'spray', spray.lane, 20, {
      load: { id: `ground ${call.ground}`, title: `${call.ground} ground`, chemistry, kind: 'solid', lightness: 60 },
      layer: { what: 'undercoat', chemistry, code: null, paint: `${call.ground} ground`, coats: 1, covers: null },
      zones: call.zones,
      cautions: [SPRAYING[chemistry].caution],
      why: `the ground that was chosen for ${name}`,
    });
    run.steps.unshift(ground);
    run.first = ground.key;
    run.links.push({
      from: ground.key,
      to: spray.key,
      minLag: dryingTime(ground.load!, 'recoat', climate),
      maxLag: null,
      why: 'the ground may be painted over',
    });
  }
  if (call.filter) {
    const { label, percent, passes, ...coat } = call.filter;
    const filter = stepOf(
      `${spray.key}:filter`,
      `Filter over ${name} on ${where}: ${percent} % ${label}`,
      'spray',
      spray.lane,
      10 + 5 * passes,
      {
        load: { ...coat, id: `filter ${label}`, title: `${percent} % ${label}`, kind: 'wash', lightness: 80 },
        layer: { what: 'tone', ...coat, code: null, paint: `${percent} % ${label}`, coats: 1, covers: null },
        zones: call.zones,
        cautions: [SPRAYING[coat.chemistry].caution],
        why: `${counted(passes, 'wet pass')}, each left to dry: the colour must still show`,
      },
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

export function simpleSprays(
  prefix: string,
  lane: Lane,
  calls: readonly RouteCall[],
  minutes: Minutes,
  { climate, outline }: RouteInput,
): Insert {
  const runs = lightToDark(calls).map((call) => {
    const where = spokenZones(outline.zones, call.zones);
    const spray = sprayStep(`${prefix}:${call.code}`, `${call.name || call.code} on ${where}`, lane, minutes, call);
    return sprayRun(spray, call, where, climate);
  });
  return {
    steps: runs.flatMap(({ steps }) => steps),
    links: runs.flatMap(({ links }) => links),
    first: runs.map(({ first }) => first),
    last: runs.map(({ last }) => ({
      key: last.key,
      wait: dryingTime(laid(last), 'recoat', climate),
      why: `${last.load?.title ?? last.code ?? last.title} may be worked over`,
    })),
  };
}

/** Light colours first: dark covers a mistake in light and not the reverse. Metallics last, over everything masked. */
export function lightToDark<T extends Pick<RouteCall, 'lab' | 'paint' | 'code'>>(calls: readonly T[]): T[] {
  const rank = (call: T) => (call.paint?.kind === 'metallic' ? -1 : (call.lab?.[0] ?? 50));
  return [...calls].sort((a, b) => rank(b) - rank(a) || a.code.localeCompare(b.code));
}

/** Coats, patches and additions round the visible coat of a zone, in the order in which they came. */
interface LayerSteps {
  /** Before the zone's main coat, and after it. */
  under: RouteStep[];
  over: RouteStep[];
}

function layerSteps({ layers, callFor, markings, outline }: RouteInput): LayerSteps {
  const steps: LayerSteps = { under: [], over: [] };
  for (const { zone, layers: stack } of layers) {
    const main = mainCoat(stack);
    stack.forEach((layer, i) => {
      if (i === main || layer.value === null) return;
      // What is a marking of its own has its own steps.
      if (markings.some((marking) => marking.title.toLowerCase() === layer.value!.toLowerCase())) return;
      const call = { ...callFor(layer.value), zones: [zone] };
      const what = call.name || call.code;
      const laid = i < main ? 'Earlier coat' : layer.kind === 'overpaint' ? 'Patch over' : 'Add';
      const title = `${laid}: ${what} on ${spokenZones(outline.zones, [zone])}`;
      const step = sprayStep(`layer:${zone}:${layer.kind}:${layer.value}`, title, 'Whole', 20, call);
      step.why =
        i < main
          ? 'laid down first: its edge shows under the later coat'
          : layer.showsUnder
            ? 'over the finished coat: thin, what is under it still shows'
            : 'over the finished coat';
      (i < main ? steps.under : steps.over).push(step);
    });
  }
  return steps;
}

/** Base coats over the airframe: each after the first is masked, once what is under the tape bears it. */
export function camouflage(calls: readonly RouteCall[], input: RouteInput): Insert {
  const { climate, markings, options, outline } = input;
  const layers = layerSteps(input);
  const steps: RouteStep[] = [];
  const links: RouteLink[] = [];
  const ordered = lightToDark(calls);
  /** Where the run of each call begins: at its mask, or at the first that is laid. */
  const begins = new Map<string, string>();
  let runEnd: RouteStep | null = null;
  for (const [i, call] of ordered.entries()) {
    const under = ordered[i - 1];
    const where = spokenZones(outline.zones, call.zones);
    const spray = sprayStep(
      `spray:${call.code}`,
      `${WAY_FACTS[call.way ?? 'airbrush'].does} ${call.name || call.code} on ${where}`,
      'Whole',
      20 + 5 * Math.min(6, call.zones.length),
      call,
    );
    if (options.tonal !== 'plain')
      spray.why = [spray.why, 'thin coats: the tonal ground must still show'].filter(Boolean).join('; ');
    const run = sprayRun(spray, call, where, climate);
    links.push(...run.links);
    begins.set(call.code, run.first);
    const masking = MASKING[WAY_FACTS[call.way ?? 'airbrush'].masking];
    if (under && masking) {
      const mask = stepOf(
        `mask:${call.code}`,
        `${masking.does} ${call.name || call.code}`,
        'mask',
        'Whole',
        masking.minutes,
        { zones: call.zones, splittable: true, cautions: [TAPE] },
      );
      const before = `spray:${under.code}`;
      links.push({
        from: runEnd!.key,
        to: mask.key,
        minLag: dryingTime(laid(runEnd!), 'mask', climate),
        maxLag: null,
        why: `${under.name || under.code} may be masked`,
      });
      links.push({ from: mask.key, to: run.first, minLag: 0, maxLag: null, why: 'masked first' });
      const rule = layOver(chemistryOf(call), chemistryOf(under));
      if (rule.verdict !== 'ok') {
        links.push({
          from: before,
          to: spray.key,
          minLag: dryingTime(laidBy(under), 'cure', climate),
          maxLag: null,
          why: rule.says,
        });
        if (rule.verdict === 'risk' || rule.verdict === 'no')
          spray.cautions = [...spray.cautions, `Over ${under.name || under.code}: ${rule.says}.`];
      }
      steps.push(mask);
      begins.set(call.code, mask.key);
    } else if (runEnd) {
      links.push({
        from: runEnd.key,
        to: run.first,
        minLag: dryingTime(laid(runEnd), 'handle', climate),
        maxLag: null,
        why: `${under!.name || under!.code} may be touched`,
      });
    } else {
      const rule = layOver(chemistryOf(call), GENERAL_COATS.primer.chemistry);
      if (rule.verdict !== 'ok') spray.cautions = [...spray.cautions, `Over the primer: ${rule.says}.`];
    }
    steps.push(...run.steps);
    runEnd = run.last;
  }
  const firstMain = steps[0]?.key ?? null;
  layers.under.forEach((step, i) => {
    const below = layers.under.slice(0, i).findLast((other) => other.zones[0] === step.zones[0]);
    if (below) links.push(overCoat(below, step.key, climate));
    const cover = ordered.find((call) => call.zones.includes(step.zones[0]!));
    const to = cover ? begins.get(cover.code)! : firstMain;
    if (to) links.push(overCoat(step, to, climate));
  });
  steps.unshift(...layers.under);
  let endKey = runEnd?.key ?? null;
  const last: Coat = runEnd ? laid(runEnd) : { chemistry: ASSUMED_CHEMISTRY };
  for (const step of layers.over) {
    const below = steps.findLast((other) => other.layer && other.zones.includes(step.zones[0]!)) ?? steps.at(-1);
    if (below) links.push(overCoat(below, step.key, climate));
    if (endKey && below?.key !== endKey)
      links.push({ from: endKey, to: step.key, minLag: 0, maxLag: null, why: 'the finished coats first' });
    steps.push(step);
    endKey = step.key;
  }
  // Painted markings go over the camouflage before anything is sealed.
  for (const marking of markings.filter((m) => m.method === 'mask')) {
    const mask = stepOf(`marking-mask:${marking.id}`, `Mask ${marking.title}`, 'mask', 'Whole', 40, {
      zones: [marking.zone],
      splittable: true,
      cautions: [TAPE],
    });
    const spray = stepOf(
      `marking-spray:${marking.id}`,
      `Spray ${marking.title}, white ground first`,
      'spray',
      'Whole',
      25,
      {
        zones: [marking.zone],
        layer: markingLayer('marking', marking.title),
        load: {
          id: `marking-${marking.id}`,
          title: marking.title,
          chemistry: ASSUMED_CHEMISTRY,
          kind: 'solid',
          lightness: 75,
        },
        cautions: [SPRAYING[ASSUMED_CHEMISTRY].caution],
        why: 'spray square to the surface; seal the mask edges with the ground colour',
      },
    );
    if (endKey)
      links.push({
        from: endKey,
        to: mask.key,
        minLag: dryingTime(last, 'mask', climate),
        maxLag: null,
        why: 'what is under the mask bears tape',
      });
    links.push({ from: mask.key, to: spray.key, minLag: 0, maxLag: null, why: 'masked first' });
    steps.push(mask, spray);
    endKey = spray.key;
  }
  return {
    steps,
    links,
    first: [...layers.under.map((step) => step.key), ...(firstMain ? [firstMain] : steps[0] ? [steps[0].key] : [])],
    last: endKey
      ? [{ key: endKey, wait: dryingTime(last, 'recoat', climate), why: 'unmask while the paint still gives' }]
      : [],
  };
}

const overCoat = (below: RouteStep, to: string, climate: Climate): RouteLink => ({
  from: below.key,
  to,
  minLag: dryingTime(laid(below), 'mask', climate),
  maxLag: null,
  why: `${below.load?.title ?? below.title} bears the next coat`,
});
