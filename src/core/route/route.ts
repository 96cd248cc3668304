import type { Options } from '@/core/kit/options';
import type { Lab } from '@/core/colour/types';
import type { MarkingMethod } from '@/core/markings/kinds';
import { mainCoat, type Layer } from '@/core/evidence/layers';
import type { Outline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import type { Finish, PaintKind } from '@/core/paint/catalogue';
import { layOver, type Chemistry } from '@/core/paint/chemistry';
import { dryingTime, WAITS, type Climate, type Coat } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import type { Minutes } from '@/core/units/minutes';
import { RULES, type Build, type Lane, type StepRule } from './rules';

/** A colour call with what was chosen for it. */
export interface RouteCall {
  code: string;
  name: string;
  zones: string[];
  lab: Lab | null;
  paint: (Coat & { id: string; label: string; kind: PaintKind; finish: Finish }) | null;
}

export interface RouteMarking {
  id: string;
  title: string;
  zone: string;
  method: MarkingMethod;
}

export interface RouteInput {
  outline: Outline;
  options: Options;
  climate: Climate;
  calls: readonly RouteCall[];
  markings: readonly RouteMarking[];
  /** Zones on which older coats or patches show, bottom to top. */
  layers: readonly { zone: string; layers: readonly Layer[] }[];
  /** A colour that no zone is ruled to wear, for a coat under or over another. */
  callFor: (code: string) => RouteCall;
}

/** A piece of work; a gate is one after which some questions can no longer be answered differently. */
export interface RouteStep {
  key: string;
  title: string;
  lane: Lane;
  minutes: Minutes;
  splittable: boolean;
  /** What is in the airbrush; null when nothing is sprayed. */
  load: Load | null;
  /** The colour code that this step lays, for its swatch. */
  code: string | null;
  zones: string[];
  gate: string | null;
  cautions: string[];
  why: string;
}

/** One filling of the airbrush, as far as cleaning out is concerned. */
export interface Load extends Coat {
  id: string;
  title: string;
  kind: PaintKind;
  lightness: number;
}

export interface RouteLink {
  from: string;
  to: string;
  minLag: Minutes;
  maxLag: Minutes | null;
  why: string;
}

/** The whole network of steps of one brief. */
export interface Route {
  steps: RouteStep[];
  links: RouteLink[];
}

const PRIMER: Load = { id: 'primer', title: 'Grey primer', chemistry: 'AL', kind: 'solid', lightness: 60 };
const CLEAR: Load = { id: 'clear', title: 'Clear', chemistry: 'WA', kind: 'clear', lightness: 100 };
const DARK: Load = { id: 'dark', title: 'Dark brown-black', chemistry: 'WA', kind: 'solid', lightness: 12 };
/** What a call is planned with until a paint is chosen. */
export const ASSUMED_CHEMISTRY: Chemistry = 'WA';

const isBay = (zone: string) => zone.startsWith('well-');
const isInterior = (zone: string) => ['cockpit', 'seat', 'instrument-panel'].includes(zone);
const isSmallPart = (zone: string) => /^(gear-|skids|spinner|propeller|rotor-|tail-rotor|stores|canopy)/.test(zone);

const coatOf = (call: RouteCall): Coat => call.paint ?? { chemistry: ASSUMED_CHEMISTRY };
const chemistryOf = (call: RouteCall): Chemistry => coatOf(call).chemistry;
const loadOf = (call: RouteCall): Load => ({
  id: call.code,
  title: `${call.code} ${call.name}`.trim(),
  chemistry: chemistryOf(call),
  dries: coatOf(call).dries,
  kind: call.paint?.kind ?? 'solid',
  lightness: call.lab?.[0] ?? 50,
});

/** Steps, links and gates by the rules, from options, zones, calls, chosen paints and markings. Deterministic. */
export function buildRoute(input: RouteInput): Route {
  const zones = new Set(input.outline.zones.map((zone) => zone.key));
  const build: Build = {
    options: input.options,
    preset: PRESETS[input.outline.spec.preset],
    has: (zone) => zones.has(zone),
  };
  const route = new RouteBuilder(build);
  const pick = (wanted: (zone: string) => boolean) =>
    input.calls.flatMap((call) => {
      const matching = call.zones.filter(wanted);
      return matching.length > 0 ? [{ ...call, zones: matching }] : [];
    });
  route.splice('interior', simpleSprays('interior', 'Cockpit', pick(isInterior), 20, input.climate));
  route.splice('bays', simpleSprays('bay', 'Wings', pick(isBay), 20, input.climate));
  route.splice('parts', simpleSprays('part', 'Gear, stores', pick(isSmallPart), 15, input.climate));
  route.splice(
    'colours',
    camouflage(
      pick((zone) => !isInterior(zone) && !isBay(zone) && !isSmallPart(zone)),
      input,
    ),
  );
  route.splice('markings', appliedMarkings(input.markings));
  return route.build();
}

/** A run of steps let in at a joint: those that start it, those that end it, and what lies between. */
interface Insert {
  steps: RouteStep[];
  links: RouteLink[];
  first: string[];
  /** Ends with the wait before the next work may touch it. */
  last: { key: string; wait: Minutes; why: string }[];
}

const stepOf = (
  key: string,
  title: string,
  lane: Lane,
  minutes: Minutes,
  over: Partial<RouteStep> = {},
): RouteStep => ({
  key,
  title,
  lane,
  minutes,
  splittable: false,
  load: null,
  code: null,
  zones: [],
  gate: null,
  cautions: [],
  why: '',
  ...over,
});

function sprayStep(key: string, title: string, lane: Lane, minutes: Minutes, call: RouteCall): RouteStep {
  const chemistry = chemistryOf(call);
  return stepOf(key, title, lane, minutes, {
    load: loadOf(call),
    code: call.code,
    zones: call.zones,
    cautions: [SPRAYING[chemistry].caution],
    why: call.paint ? '' : 'no paint chosen yet: planned as a water-based acrylic',
  });
}

function simpleSprays(
  prefix: string,
  lane: Lane,
  calls: readonly RouteCall[],
  minutes: Minutes,
  climate: Climate,
): Insert {
  const steps = lightToDark(calls).map((call) =>
    sprayStep(`${prefix}:${call.code}`, `${call.name || call.code} on ${zoneWords(call.zones)}`, lane, minutes, call),
  );
  return {
    steps,
    links: [],
    first: steps.map((step) => step.key),
    last: steps.map((step) => ({
      key: step.key,
      wait: dryingTime(step.load!, 'recoat', climate),
      why: `${step.load!.title} may be worked over`,
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

function layerSteps({ layers, callFor, markings }: RouteInput): LayerSteps {
  const steps: LayerSteps = { under: [], over: [] };
  for (const { zone, layers: stack } of layers) {
    const main = mainCoat(stack);
    stack.forEach((layer, i) => {
      if (i === main || layer.value === null) return;
      // What is a marking of its own has its own steps.
      if (markings.some((marking) => marking.title.toLowerCase() === layer.value!.toLowerCase())) return;
      const call = { ...callFor(layer.value), zones: [zone] };
      const what = call.name || call.code;
      const title =
        i < main
          ? `Earlier coat: ${what} on ${zoneWords([zone])}`
          : `${layer.kind === 'overpaint' ? 'Patch over' : 'Add'}: ${what} on ${zoneWords([zone])}`;
      const step = sprayStep(`layer:${zone}:${i}`, title, 'Whole', 20, call);
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
function camouflage(calls: readonly RouteCall[], input: RouteInput): Insert {
  const { climate, markings, options } = input;
  const layers = layerSteps(input);
  const steps: RouteStep[] = [];
  const links: RouteLink[] = [];
  const ordered = lightToDark(calls);
  ordered.forEach((call, i) => {
    const under = ordered[i - 1];
    const spray = sprayStep(
      `spray:${call.code}`,
      `Spray ${call.name || call.code} on ${zoneWords(call.zones)}`,
      'Whole',
      20 + 5 * Math.min(6, call.zones.length),
      call,
    );
    if (options.tonal !== 'plain') spray.why ||= 'thin coats: the tonal ground must still show';
    if (under) {
      const mask = stepOf(`mask:${call.code}`, `Mask for ${call.name || call.code}`, 'Whole', 50, {
        zones: call.zones,
        splittable: true,
        cautions: ['Blade: cut tape on glass, never on the model.'],
      });
      const before = `spray:${under.code}`;
      links.push({
        from: before,
        to: mask.key,
        minLag: dryingTime(coatOf(under), 'mask', climate),
        maxLag: null,
        why: `${under.name || under.code} may be masked`,
      });
      links.push({ from: mask.key, to: spray.key, minLag: 0, maxLag: null, why: 'masked first' });
      const rule = layOver(chemistryOf(call), chemistryOf(under));
      if (rule.verdict !== 'ok') {
        links.push({
          from: before,
          to: spray.key,
          minLag: dryingTime(coatOf(under), 'cure', climate),
          maxLag: null,
          why: rule.says,
        });
        if (rule.verdict === 'risk' || rule.verdict === 'no')
          spray.cautions = [...spray.cautions, `Over ${under.name || under.code}: ${rule.says}.`];
      }
      steps.push(mask);
    } else {
      const rule = layOver(chemistryOf(call), PRIMER.chemistry);
      if (rule.verdict !== 'ok') spray.cautions = [...spray.cautions, `Over the primer: ${rule.says}.`];
    }
    steps.push(spray);
  });
  const firstMain = steps[0]?.key ?? null;
  layers.under.forEach((step, i) => {
    const below = layers.under.slice(0, i).findLast((other) => other.zones[0] === step.zones[0]);
    if (below) links.push(overCoat(below, step.key, climate));
    const cover = ordered.find((call) => call.zones.includes(step.zones[0]!));
    const to = cover
      ? steps.some(({ key }) => key === `mask:${cover.code}`)
        ? `mask:${cover.code}`
        : `spray:${cover.code}`
      : firstMain;
    if (to) links.push(overCoat(step, to, climate));
  });
  steps.unshift(...layers.under);
  let end = ordered.at(-1);
  let endKey = end ? `spray:${end.code}` : null;
  const last: Coat = end ? coatOf(end) : { chemistry: ASSUMED_CHEMISTRY };
  for (const step of layers.over) {
    const below = steps.findLast((other) => other.load && other.zones.includes(step.zones[0]!)) ?? steps.at(-1);
    if (below) links.push(overCoat(below, step.key, climate));
    if (endKey && below?.key !== endKey)
      links.push({ from: endKey, to: step.key, minLag: 0, maxLag: null, why: 'the finished coats first' });
    steps.push(step);
    endKey = step.key;
    end = undefined;
  }
  // Painted markings go over the camouflage before anything is sealed.
  for (const marking of markings.filter((m) => m.method === 'mask')) {
    const mask = stepOf(`marking-mask:${marking.id}`, `Mask ${marking.title}`, 'Whole', 40, {
      zones: [marking.zone],
      splittable: true,
      cautions: ['Blade: cut tape on glass, never on the model.'],
    });
    const spray = stepOf(`marking-spray:${marking.id}`, `Spray ${marking.title}, white ground first`, 'Whole', 25, {
      zones: [marking.zone],
      load: {
        id: `marking-${marking.id}`,
        title: marking.title,
        chemistry: ASSUMED_CHEMISTRY,
        kind: 'solid',
        lightness: 75,
      },
      cautions: [SPRAYING[ASSUMED_CHEMISTRY].caution],
      why: 'spray square to the surface; seal the mask edges with the ground colour',
    });
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
    end = undefined;
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
  minLag: dryingTime(below.load ?? { chemistry: ASSUMED_CHEMISTRY }, 'mask', climate),
  maxLag: null,
  why: `${below.load?.title ?? below.title} bears the next coat`,
});

function appliedMarkings(markings: readonly RouteMarking[]): Insert {
  const steps: RouteStep[] = [];
  const links: RouteLink[] = [];
  for (const marking of markings.filter((m) => m.method !== 'mask')) {
    const minutes = marking.method === 'brush' || marking.method === 'pen' ? 40 : 25;
    const verb = marking.method === 'brush' || marking.method === 'pen' ? 'Paint' : 'Place';
    const step = stepOf(`marking:${marking.id}`, `${verb} ${marking.title}`, 'Whole', minutes, {
      zones: [marking.zone],
      why: marking.method === 'own decal' ? 'print spares' : '',
    });
    const last = steps.at(-1);
    if (last)
      links.push({ from: last.key, to: step.key, minLag: WAITS.decal.minutes, maxLag: null, why: WAITS.decal.says });
    steps.push(step);
  }
  const end = steps.at(-1);
  return {
    steps,
    links,
    first: steps[0] ? [steps[0].key] : [],
    last: end ? [{ key: end.key, wait: WAITS.decal.minutes, why: WAITS.decal.says }] : [],
  };
}

const zoneWords = (zones: readonly string[]) =>
  zones.length > 2 ? `${zones.length} zones` : zones.map((zone) => zone.replaceAll('-', ' ')).join(' and ');

/** Applies the fixed rules and lets the colour runs in at their joints. */
class RouteBuilder {
  private readonly active: Map<string, StepRule>;
  private readonly inserts = new Map<string, Insert>();

  constructor(build: Build) {
    this.active = new Map(RULES.filter((rule) => !rule.when || rule.when(build)).map((rule) => [rule.key, rule]));
  }

  splice(joint: string, insert: Insert) {
    this.inserts.set(joint, insert);
  }

  build(): Route {
    const steps: RouteStep[] = [];
    const links = new Map<string, RouteLink>();
    const add = (link: RouteLink) => {
      const key = `${link.from} ${link.to}`;
      const known = links.get(key);
      if (!known || known.minLag < link.minLag) links.set(key, link);
    };
    for (const rule of this.active.values()) {
      const insert = this.inserts.get(rule.key);
      const targets = insert ? insert.first : [rule.key];
      if (insert) {
        steps.push(...insert.steps);
        insert.links.forEach(add);
      } else steps.push(this.stepOf(rule));
      for (const origin of this.origins(rule.key)) for (const to of targets) add({ ...origin, to });
    }
    return { steps, links: [...links.values()] };
  }

  private stepOf(rule: StepRule): RouteStep {
    const load =
      rule.sprays === 'primer' ? PRIMER : rule.sprays === 'clear' ? CLEAR : rule.sprays === 'dark' ? DARK : null;
    return stepOf(rule.key, rule.title, rule.lane, rule.minutes, {
      splittable: rule.splittable ?? false,
      load,
      gate: rule.gate ?? null,
      cautions: rule.caution ? [rule.caution] : [],
      why: rule.why ?? '',
    });
  }

  /** What a step really waits for: rules that do not apply, and joints with nothing in them, pass their own waits on. */
  private origins(key: string, seen = new Set<string>()): Omit<RouteLink, 'to'>[] {
    if (seen.has(key)) return [];
    seen.add(key);
    const rule = RULES.find((candidate) => candidate.key === key);
    return (rule?.after ?? []).flatMap((after): Omit<RouteLink, 'to'>[] => {
      const {
        step: from,
        wait,
        most,
        why,
      } = typeof after === 'string' ? { step: after, wait: 0, most: undefined, why: 'first things first' } : after;
      const insert = this.inserts.get(from);
      if (insert && insert.last.length > 0)
        return insert.last.map((end) => ({
          from: end.key,
          minLag: Math.max(wait, end.wait),
          maxLag: null,
          why: end.why,
        }));
      if (!insert && this.active.has(from)) return [{ from, minLag: wait, maxLag: most ?? null, why }];
      return this.origins(from, seen);
    });
  }
}
