import { WAY_FACTS } from '@/core/kit/applying';
import { mainCoat } from '@/core/evidence/layers';
import { spokenZones } from '@/core/outline/spoken';
import { isGrave, layOver } from '@/core/paint/chemistry';
import { dryingOf, dryingTime, type Climate, type Coat, type DryingState } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import { capital, counted, listed } from '@/core/units/words';
import type { Minutes } from '@/core/units/minutes';
import { ASSUMED_CHEMISTRY, chemistryOf, coatOf, loadOf } from './call-coat';
import type { RouteInput } from './route-input';
import { TAPE } from './rules/cautions';
import { GENERAL_COATS } from './rules/rule';
import type { Layer } from '@/core/work/layer';
import { howMasked, maskingFor, type Masking } from '@/core/work/masking';
import { largeCodes, sprayRank } from '@/core/work/spray-order';
import { MOST_TAPE } from '@/core/work/tape';
import { skinEdges, zoneBorders } from '@/core/scheme/skin-edges';
import { modelAreaOfZones } from '@/core/outline/outline';
import { coveredWith } from '@/core/outline/zones';
import type { Lane, Stage } from '@/core/work/kinds';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import type { RouteCall, RouteMarking } from './call';
import type { Insert } from './insert';

/** Runs of steps that the colours add: sprays, masks between them, older coats under them, painted markings over them. */

const coatsInWords = (coats: number | null): string => (coats === null ? '' : counted(coats, 'coat'));

export const markingLayer = (what: 'marking' | 'decal', paint: string): Layer => ({
  what,
  chemistry: ASSUMED_CHEMISTRY,
  code: null,
  paint,
  coats: 1,
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
    family: 'colour',
    lays: [{ what: 'colour', ...laidBy(call), code: call.code, paint: call.paint?.label ?? '', coats }],
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
const laid = (step: RouteStep): Coat => step.lays.at(-1) ?? step.load ?? { chemistry: ASSUMED_CHEMISTRY };

/** What each colour meets on the model, as far as it has to be masked. */
function maskingsOf(ordered: readonly RouteCall[], input: RouteInput): Map<string, Masking> {
  const { outline, soft = [], hides = darkerOver(ordered), laid = {}, denominator = 1 } = input;
  const colours = new Map(ordered.flatMap(({ code, zones }) => zones.map((zone) => [zone, code] as const)));
  const edges =
    input.edges ?? skinEdges(zoneBorders(outline), (zone) => colours.get(zone) ?? null, [], new Set(soft), denominator);
  const pairs = new Set(hides.map(([later, earlier]) => `${later}|${earlier}`));
  const before = new Set<string>();
  return new Map(
    ordered.map(({ code, zones }) => {
      const masking = maskingFor(code, new Set(zones), {
        edges,
        before,
        laid,
        hides: (later, earlier) => pairs.has(`${later}|${earlier}`),
      });
      before.add(code);
      return [code, masking];
    }),
  );
}

/** Where nobody reckoned it, dark hides light. */
const darkerOver = (calls: readonly RouteCall[]): [later: string, earlier: string][] =>
  calls.flatMap((later) =>
    calls.flatMap((earlier): [string, string][] =>
      (later.lab?.[0] ?? 50) < (earlier.lab?.[0] ?? 50) ? [[later.code, earlier.code]] : [],
    ),
  );

/** Paper and tape over all that a can would reach: so much of it in a minute, cm2 of the model. */
const PAPER_CM2_A_MINUTE = 12;

/** The mask of a colour; null where nothing of what it meets has to be masked. */
function maskStep(
  spray: RouteStep,
  call: RouteCall,
  masking: Masking,
  nameOf: (code: string) => string,
  { outline, denominator = 1 }: RouteInput,
): RouteStep | null {
  const way = WAY_FACTS[call.way ?? 'airbrush'].masking;
  const name = call.name || call.code;
  if (way === 'none' || (way === 'its edges' && masking.edges.length === 0)) return null;
  const own = new Set(call.zones);
  const rest = outline.zones.filter(({ key, group }) => !own.has(key) && coveredWith(group) === 'outside');
  const paper =
    way === 'its edges'
      ? 0
      : Math.ceil(
          modelAreaOfZones(
            outline,
            rest.map(({ key }) => key),
            denominator,
          ) / PAPER_CM2_A_MINUTE,
        );
  const minutes = Math.max(1, masking.minutes + paper);
  const off = listed(masking.against.map(nameOf));
  const title =
    way === 'everything else'
      ? `Mask everything that is not to be ${name}`
      : off
        ? `Mask ${off} off for ${name}`
        : `Set soft masks for ${name}`;
  return stepOf(`mask:${call.code}`, title, 'mask', 'Whole', minutes, {
    family: 'mask',
    stage: 'colours',
    tape: { of: spray.key, goes: 'on' },
    masking,
    zones: call.zones,
    splittable: true,
    cautions: [TAPE],
    minutesFrom: [
      `${masking.minutes} min for ${Math.round(masking.tapeMm)} mm of tape and ${Math.round(masking.softMm)} mm of soft edge`,
      ...(paper > 0 ? [`${paper} min to paper over the rest`] : []),
    ].join(', '),
    why: ['the line drawn lightly first', ...howMasked(masking)].join('; '),
  });
}

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
      family: 'ground',
      stage: spray.stage,
      schools: ['undercoats'],
      lays: [{ what: 'undercoat', chemistry, code: null, paint: `${call.ground} ground`, coats: 1 }],
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
        family: 'filter',
        stage: spray.stage,
        lays: [{ what: 'tone', ...coat, code: null, paint: `${percent} % ${label}`, coats: 1 }],
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

/** A part of the model whose colours are let in together: how the keys of its steps begin, whose lane and stage they are in. */
export interface Part {
  prefix: string;
  lane: Lane;
  stage: Stage;
}

/** The step that zones without a ruled colour have all the same; null for none. */
function openStep(
  { prefix, lane, stage }: Part,
  zones: readonly string[],
  { outline }: Pick<RouteInput, 'outline'>,
): RouteStep | null {
  if (zones.length === 0) return null;
  const minutes = 15 + 5 * Math.min(6, zones.length);
  return stepOf(
    `open:${prefix}`,
    `${capital(spokenZones(outline.zones, zones))}: colour open`,
    'spray',
    lane,
    minutes,
    {
      booth: true,
      open: true,
      family: 'open',
      stage,
      zones: [...zones],
      lays: [{ what: 'colour', chemistry: ASSUMED_CHEMISTRY, code: null, paint: 'not decided', coats: USUAL_COATS }],
      cautions: [SPRAYING[ASSUMED_CHEMISTRY].caution],
      why: 'nothing is ruled: Evidence asks for it; planned as a water-based acrylic',
    },
  );
}

/** Colours of what is painted by itself, and what of it nobody has ruled yet. */
export function simpleSprays(
  part: Part,
  calls: readonly RouteCall[],
  open: readonly string[],
  minutes: Minutes,
  input: RouteInput,
): Insert {
  const { climate, outline } = input;
  const { prefix, lane, stage } = part;
  const undecided = openStep(part, open, input);
  const runs = lightToDark(calls).map((call) => {
    const where = spokenZones(outline.zones, call.zones);
    const title = `${call.name || call.code} on ${where}`;
    const spray = { ...sprayStep(`${prefix}:${call.code}`, title, lane, minutes, call), stage };
    return sprayRun(spray, call, where, climate);
  });
  if (undecided) runs.push({ steps: [undecided], links: [], first: undecided.key, last: undecided });
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

/** Light colours first, by the custom. */
export function lightToDark<T extends Pick<RouteCall, 'lab' | 'paint' | 'code' | 'large'>>(calls: readonly T[]): T[] {
  const rank = ({ paint, lab, large = false }: T) => sprayRank(lab?.[0], paint?.kind === 'metallic', large);
  return [...calls].sort((a, b) => rank(b) - rank(a) || a.code.localeCompare(b.code));
}

/** Colours in the order that was chosen; those that it does not name come where they would have come, before the rest. */
function asChosen<T extends { code: string }>(calls: readonly T[], order: readonly string[]): T[] {
  const placeOf = (call: T) => order.indexOf(call.code);
  const chosen = calls.filter((call) => placeOf(call) >= 0).sort((a, b) => placeOf(a) - placeOf(b));
  const others = calls.filter((call) => placeOf(call) < 0);
  return [...others, ...chosen];
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
      // A temporary finish comes over the markings, when they are sealed.
      if (i === main || layer.value === null || layer.kind === 'temporary') return;
      // What is a marking of its own has its own steps.
      if (markings.some((marking) => marking.name.toLowerCase() === layer.value!.toLowerCase())) return;
      const call = { ...callFor(layer.value), zones: [zone] };
      const what = call.name || call.code;
      const laid = i < main ? 'Earlier coat' : layer.kind === 'overpaint' ? 'Patch over' : 'Add';
      const title = `${laid}: ${what} on ${spokenZones(outline.zones, [zone])}`;
      const step = sprayStep(`layer:${zone}:${layer.kind}:${layer.value}`, title, 'Whole', 20, call);
      step.family = 'earlier coat';
      step.stage = 'colours';
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

/** The calls with what is large among them told apart. */
function withSize(calls: readonly RouteCall[], { outline }: Pick<RouteInput, 'outline'>): RouteCall[] {
  const big = largeCodes(calls, outline);
  return calls.map((call) => {
    const large = big.has(call.code);
    const bare = large && call.paint?.kind === 'metallic' && !call.ground;
    return { ...call, large, ...(bare ? { ground: GENERAL_COATS.black.title } : {}) };
  });
}

/** Tape off behind the last coat that was sprayed over it. */
function unmaskAfter(last: RouteStep, mask: RouteStep, key: string, what: string, climate: Climate) {
  const coat = laid(last);
  const { zones, family, stage, marking, tape } = mask;
  const step = stepOf(key, `Unmask ${what}, look along its edges`, 'unmask', last.lane, 10, {
    family,
    stage,
    marking,
    tape: tape && { ...tape, goes: 'off' },
    zones,
    why: 'while the paint still gives: tape drawn back flat over itself',
  });
  const link: RouteLink = {
    from: last.key,
    to: key,
    minLag: Math.min(dryingTime(coat, 'touch', climate), MOST_TAPE[coat.chemistry]),
    maxLag: MOST_TAPE[coat.chemistry],
    why: 'tape comes off while the paint still gives',
  };
  return { step, link };
}

/** Base coats over the airframe: each after the first is masked, once what is under the tape bears it, and unmasked while it still gives. */
export function camouflage(given: readonly RouteCall[], open: readonly string[], input: RouteInput): Insert {
  const { climate, markings, options, outline, maskOrder = [] } = input;
  const layers = layerSteps(input);
  const steps: RouteStep[] = [];
  const links: RouteLink[] = [];
  const ordered = asChosen(lightToDark(withSize(given, input)), maskOrder);
  const maskings = maskingsOf(ordered, input);
  const names = new Map(ordered.map(({ code, name }) => [code, name || code]));
  const nameOf = (code: string) => names.get(code) ?? code;
  /** Where the run of each call begins: at its mask, or at the first that is laid. */
  const begins = new Map<string, string>();
  /** What was laid last, and the step behind which the next begins: its tape is off. */
  let end = null as { last: RouteStep; free: string } | null;
  /** Begins something behind what was laid last, once that is so far dry. */
  const behind = (to: string, state: DryingState, why: string, unmasked = 'unmasked') => {
    if (!end) return;
    const { last, free } = end;
    links.push({ from: last.key, to, minLag: dryingTime(laid(last), state, climate), maxLag: null, why });
    if (free !== last.key) links.push({ from: free, to, minLag: 0, maxLag: null, why: unmasked });
  };
  for (const [i, call] of ordered.entries()) {
    const under = ordered[i - 1];
    const where = spokenZones(outline.zones, call.zones);
    const name = call.name || call.code;
    const spray = sprayStep(
      `spray:${call.code}`,
      `${WAY_FACTS[call.way ?? 'airbrush'].does} ${name} on ${where}`,
      'Whole',
      20 + 5 * Math.min(6, call.zones.length),
      call,
    );
    spray.stage = 'colours';
    if (options.tonal !== 'plain')
      spray.why = [spray.why, 'thin coats: the tonal ground must still show'].filter(Boolean).join('; ');
    const run = sprayRun(spray, call, where, climate);
    links.push(...run.links);
    begins.set(call.code, run.first);
    const masking = maskings.get(call.code)!;
    const mask = maskStep(spray, call, masking, nameOf, input);
    if (mask) {
      behind(mask.key, 'mask', `${under?.name || under?.code || ''} may be masked`);
      links.push({ from: mask.key, to: run.first, minLag: 0, maxLag: null, why: 'masked first' });
      steps.push(mask);
      begins.set(call.code, mask.key);
    } else if (under) behind(run.first, 'handle', `${under.name || under.code} may be touched`);
    overWhatItMeets(spray, call, ordered.slice(0, i), masking, links, climate);
    if (!under) {
      const rule = layOver(chemistryOf(call), GENERAL_COATS.primer.chemistry);
      if (rule.verdict !== 'ok') spray.cautions = [...spray.cautions, `Over the primer: ${rule.says}.`];
    }
    steps.push(...run.steps);
    end = { last: run.last, free: run.last.key };
    if (mask) {
      const { step, link } = unmaskAfter(run.last, mask, `unmask:${call.code}`, name, climate);
      steps.push(step);
      links.push(link);
      end.free = step.key;
    }
  }
  const undecided = openStep({ prefix: 'outside', lane: 'Whole', stage: 'colours' }, open, input);
  if (undecided) {
    behind(undecided.key, 'mask', 'what is painted already bears tape');
    steps.push(undecided);
    end = { last: undecided, free: undecided.key };
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
  for (const step of layers.over) {
    const below =
      steps.findLast((other) => other.lays.length > 0 && other.zones.includes(step.zones[0]!)) ?? steps.at(-1);
    if (below) links.push(overCoat(below, step.key, climate));
    if (end && below?.key !== end.free)
      links.push({ from: end.free, to: step.key, minLag: 0, maxLag: null, why: 'the finished coats first' });
    steps.push(step);
    end = { last: step, free: step.key };
  }
  // Painted markings go over the camouflage before anything is sealed.
  for (const marking of markings.filter((m) => m.method === 'mask')) {
    const run = paintedMarking(marking, climate);
    behind(run.first, 'mask', 'what is under the mask bears tape', 'one after the other');
    links.push(...run.links);
    steps.push(...run.steps);
    end = { last: run.last, free: run.free };
  }
  return {
    steps,
    links,
    first: [...layers.under.map((step) => step.key), ...(firstMain ? [firstMain] : steps[0] ? [steps[0].key] : [])],
    last: end
      ? [
          {
            key: end.last.key,
            wait: dryingTime(laid(end.last), 'handle', climate),
            why: 'the colours may be handled',
          },
          ...(end.free === end.last.key ? [] : [{ key: end.free, wait: 0, why: 'unmasked' }]),
        ]
      : [],
  };
}

/** Where a colour is sprayed over the edge of another that does not bear it, it waits for that, and says so. */
function overWhatItMeets(
  spray: RouteStep,
  call: RouteCall,
  before: readonly RouteCall[],
  { edges }: Masking,
  links: RouteLink[],
  climate: Climate,
): void {
  const met = new Set(edges.map(({ meets }) => meets.code));
  for (const under of before.filter(({ code }) => met.has(code))) {
    const rule = layOver(chemistryOf(call), chemistryOf(under));
    if (rule.verdict === 'ok') continue;
    links.push({
      from: `spray:${under.code}`,
      to: spray.key,
      minLag: dryingTime(laidBy(under), 'cure', climate),
      maxLag: null,
      why: rule.says,
    });
    if (isGrave(rule.verdict)) spray.cautions = [...spray.cautions, `Over ${under.name || under.code}: ${rule.says}.`];
  }
}

/** Colour that hides badly over anything dark: a white ground goes under it. */
const needsWhite = ({ lab }: RouteCall): boolean => lab !== null && lab[0] > 30 && Math.hypot(lab[1], lab[2]) > 25;

/** A marking that is masked and sprayed: its ground, its colours from light to dark, and the tape off. */
function paintedMarking(marking: RouteMarking, climate: Climate) {
  const { id, title, zone, calls = [] } = marking;
  const own: Pick<RouteStep, 'family' | 'stage' | 'marking' | 'zones'> = {
    family: 'marking',
    stage: 'markings',
    marking: id,
    zones: [zone],
  };
  const links: RouteLink[] = [];
  const then = (from: RouteStep, to: RouteStep, minLag: Minutes, why: string) =>
    links.push({ from: from.key, to: to.key, minLag, maxLag: null, why });
  const mask = stepOf(`marking-mask:${id}`, `Mask ${title}, all layers laid once to register`, 'mask', 'Whole', 40, {
    ...own,
    tape: { of: id, goes: 'on' },
    splittable: true,
    cautions: [TAPE],
    why: 'the edges sealed with the colour under them or clear',
  });
  const steps = [mask];
  if (calls.some(needsWhite)) {
    const ground = stepOf(`marking-ground:${id}`, `Lay the white ground of ${title}`, 'spray', 'Whole', 15, {
      ...own,
      lays: [{ ...markingLayer('marking', 'White ground'), what: 'undercoat' }],
      load: {
        id: 'ground White',
        title: 'White ground',
        chemistry: ASSUMED_CHEMISTRY,
        kind: 'solid',
        lightness: 96,
      },
      cautions: [SPRAYING[ASSUMED_CHEMISTRY].caution],
      why: 'its colours hide badly over what is under them',
    });
    then(mask, ground, 0, 'masked first');
    steps.push(ground);
  }
  const colours: (RouteCall | null)[] = calls.length > 0 ? lightToDark(calls) : [null];
  colours.forEach((call, i) => {
    const chemistry = call ? chemistryOf(call) : ASSUMED_CHEMISTRY;
    const name = call ? call.name || call.code : '';
    const spray = stepOf(
      i === 0 ? `marking-spray:${id}` : `marking-spray:${id}:${call!.code}`,
      `Spray ${title}${name ? `: ${name}` : ''}`,
      'spray',
      'Whole',
      15,
      {
        ...own,
        code: call?.code ?? null,
        lays: [{ ...markingLayer('marking', title), ...(call ? { ...coatOf(call), code: call.code } : {}) }],
        load: call
          ? loadOf(call)
          : { id: `marking-${id}`, title, chemistry: ASSUMED_CHEMISTRY, kind: 'solid', lightness: 75 },
        cautions: [SPRAYING[chemistry].caution],
        why: 'square to the surface, thin',
      },
    );
    const before = steps.at(-1)!;
    then(before, spray, before.lays.length > 0 ? dryingTime(laid(before), 'recoat', climate) : 0, 'light before dark');
    steps.push(spray);
  });
  const last = steps.at(-1)!;
  const { step, link } = unmaskAfter(last, mask, `marking-unmask:${id}`, title, climate);
  return { steps: [...steps, step], links: [...links, link], first: mask.key, last, free: step.key };
}

const overCoat = (below: RouteStep, to: string, climate: Climate): RouteLink => ({
  from: below.key,
  to,
  minLag: dryingTime(laid(below), 'mask', climate),
  maxLag: null,
  why: `${below.load?.title ?? below.title} bears the next coat`,
});
