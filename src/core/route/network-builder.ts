import { among } from '@/core/kit/among';
import { dryingTime, waitFor, type Climate, type Coat } from '@/core/paint/drying';
import type { GeneralWay } from '@/core/kit/applying';
import { SPRAYING } from '@/core/paint/spraying';
import type { PaintKind } from '@/core/paint/catalogue';
import { RULES, rulesAfter, stageOfRule } from './rules';
import { holdsFor } from './rules/forms';
import { ASSUMED_COATS, partsOfCoat, roleOf, type CoatFacts, type CoatsByZone } from './general-coats';
import type { After, Build, Skin, StepRule } from './rules/rule';
import type { Joint } from '@/core/work/kinds';
import { spokenZones } from '@/core/outline/spoken';
import { layerOfCoat } from '@/core/work/layer';
import { stepOf, type Load, type Route, type RouteLink, type RouteStep } from '@/core/work/step';
import type { Addition, Insert } from './insert';
import { driedBy, handledBy, titledBy } from './by-way';
import { MOST_TAPE } from '@/core/work/tape';
import { schoolsOfRule } from './school-of-rule';
import { minutesOfRule, wayOfRule, type Sized } from './takes';

/** General coats that go through the airbrush. */
const SPRAYED: ReadonlySet<PaintKind> = new Set(['solid', 'clear']);

const SKINS: Readonly<Record<Skin, (zone: string, build: Build) => boolean>> = {
  metal: (zone, { metal }) => metal.has(zone),
  paint: (zone, { metal }) => !metal.has(zone),
  fluid: (zone, { fluid }) => fluid.has(zone),
};

/** Whether a rule works on a zone at all: it may leave its skin out, what stays unsealed gets no clear, and each zone ends as it is wanted. */
const isWorked = ({ leaves = [], finish, lays }: StepRule, zone: string, build: Build): boolean =>
  !leaves.some((skin) => SKINS[skin](zone, build)) &&
  (finish === undefined || build.finishOf(zone) === finish) &&
  (lays === undefined || ASSUMED_COATS[lays].what !== 'clear' || build.finishOf(zone) !== 'unsealed');

/** The zones of a rule, and whether others would be among them but are done by another school; null where it is work on no zone that is named. */
function zonesOf(rule: StepRule, build: Build, covered: Route['covered']): { zones: string[]; isPart: boolean } | null {
  const { at, covers, where = {} } = rule;
  if (!at && !covers) return null;
  const within = covers && new Set(covered[covers]);
  const all = build.zones.filter(
    (zone) => (!at || at(zone)) && (!within || within.has(zone.key)) && isWorked(rule, zone.key, build),
  );
  const zones = all.filter(({ key }) => among(where, build.optionsAt(key))).map(({ key }) => key);
  return { zones, isPart: zones.length < all.length };
}

/** What works on zones applies where any of them is done so. */
const isWanted = ({ where = {}, at, covers }: StepRule, { options, zones, optionsAt }: Build): boolean =>
  among(where, options) || (Boolean(at ?? covers) && zones.some(({ key }) => among(where, optionsAt(key))));

const applies = (rule: StepRule, build: Build): boolean => {
  const { on = {}, when, mist } = rule;
  return (
    holdsFor(rule, build.machine.form) &&
    (!mist || build.general === 'airbrush') &&
    isWanted(rule, build) &&
    among(on, build.machine) &&
    (!when || when(build))
  );
};

/** A rule of this build, with its zones. */
interface Active {
  rule: StepRule;
  zones: string[] | null;
  /** Its steps: one for each product that it lays. */
  parts: Part[];
}

/** One step of a rule. */
interface Part {
  key: string;
  title: string;
  zones: string[];
  facts: CoatFacts | null;
}

/** The steps of a rule: several where what it lays is of several products, each told by its places. */
function partsOf(rule: StepRule, at: ReturnType<typeof zonesOf>, build: Build, coats: CoatsByZone): Part[] {
  const { key } = rule;
  const zones = at?.zones;
  const called = rule.titleOf?.[build.machine.form] ?? rule.title;
  const title = build.general === 'airbrush' ? called : (rule.titleByHand ?? called);
  const whole = at?.isPart ? `${title}: ${spokenZones(build.zones, at.zones)}` : title;
  if (!rule.lays || !zones)
    return [{ key, title: whole, zones: zones ?? [], facts: rule.lays ? coats.coats[rule.lays] : null }];
  const parts = partsOfCoat(rule.lays, zones, coats);
  if (parts.length === 1) return [{ key, title: whole, ...parts[0]! }];
  return parts.map((part, i) => ({
    // The first has the rule's own key, whatever else is chosen beside it.
    key: i === 0 ? key : `${key}:on ${part.zones[0]}`,
    title: `${title}: ${spokenZones(build.zones, part.zones)}`,
    ...part,
  }));
}

const isSprayed = ({ lays, kind }: StepRule): boolean =>
  lays !== undefined && kind !== 'brush' && SPRAYED.has(ASSUMED_COATS[lays].kind);

const FIRST_THINGS = { least: 0, most: null, why: 'first things first' };

/** Where everything ends that nothing else waits for. */
const LAST = ['last-look'];

/** Applies the fixed rules and lets the colour runs in at their joints. Waits follow what was laid and the bench's climate. */
export class NetworkBuilder {
  private readonly active: Map<string, Active>;
  private readonly general: GeneralWay;
  private readonly inserts = new Map<string, Insert>();
  private readonly additions = new Map<string, Addition>();

  /** `left` names steps that the builder leaves out. */
  constructor(
    private readonly asked: Build,
    private readonly climate: Climate,
    private readonly coats: CoatsByZone,
    private readonly covered: Route['covered'],
    private readonly sized: Sized,
    private readonly left: readonly string[] = [],
  ) {
    this.general = asked.general;
    this.active = new Map(
      RULES.flatMap((rule): [string, Active][] => {
        if (left.includes(rule.key) || !applies(rule, asked)) return [];
        const at = zonesOf(rule, asked, covered);
        // What nobody will see any of is not worked on.
        return at?.zones.length === 0
          ? []
          : [[rule.key, { rule, zones: at?.zones ?? null, parts: partsOf(rule, at, asked, coats) }]];
      }),
    );
  }

  add(...additions: readonly Addition[]) {
    for (const addition of additions)
      if (!this.left.includes(addition.step.key)) this.additions.set(addition.step.key, addition);
  }

  splice(joint: Joint, insert: Insert) {
    this.inserts.set(joint, { ...insert, steps: insert.steps.map((step) => ({ ...step, joint })) });
  }

  route(): Route {
    const steps: RouteStep[] = [];
    const links = new Map<string, RouteLink>();
    const add = (link: RouteLink) => {
      const key = `${link.from} ${link.to}`;
      const known = links.get(key);
      if (!known || known.minLag < link.minLag) links.set(key, link);
    };
    for (const active of this.active.values()) {
      const { rule, parts } = active;
      const insert = this.inserts.get(rule.key);
      const targets = insert ? insert.first : parts.map(({ key }) => key);
      if (insert) {
        steps.push(...insert.steps);
        insert.links.forEach(add);
      } else steps.push(...parts.map((part) => this.stepOf(active, part)));
      for (const origin of this.origins(rule.key)) for (const to of targets) add({ ...origin, to });
    }
    for (const { step, after, before, then } of this.additions.values()) {
      steps.push(step);
      for (const origin of this.originsOf(after)) add({ ...origin, to: step.key });
      const targets = before.flatMap((key) => this.targets(key));
      const wait = then ? waitFor(then, this.climate) : { minutes: this.waitBehind(step), says: 'first things first' };
      for (const to of targets.length > 0 ? targets : LAST)
        add({ from: step.key, to, minLag: wait.minutes, maxLag: null, why: wait.says });
    }
    const { form } = this.asked.machine;
    return { form, steps, links: [...links.values()], covered: this.covered, sleeping: [] };
  }

  /** The steps at which something named by the rules begins: of what does not apply, those of what follows it. */
  private targets(key: string, seen = new Set<string>()): string[] {
    if (seen.has(key)) return [];
    seen.add(key);
    if (this.additions.has(key)) return [key];
    const insert = this.inserts.get(key);
    if (insert && insert.first.length > 0) return insert.first;
    const active = insert ? null : this.active.get(key);
    if (active) return active.parts.map((part) => part.key);
    return rulesAfter(key).flatMap((rule) => this.targets(rule.key, seen));
  }

  /** What is laid may be worked over only once it is dry. */
  private waitBehind({ load, lays }: RouteStep): number {
    const coat = load ?? lays.at(-1);
    return coat ? dryingTime(coat, 'recoat', this.climate) : 0;
  }

  /** How the coat of a rule goes on. */
  private readonly wayOf = (rule: StepRule, facts: CoatFacts | null): GeneralWay =>
    isSprayed(rule) ? (facts?.way ?? this.general) : 'airbrush';

  private stepOf({ rule, zones: all, parts }: Active, { key, title, zones, facts }: Part): RouteStep {
    const load: Load | null = isSprayed(rule) ? facts : null;
    const isWhole = !rule.at && rule.covers !== undefined && all?.length === this.covered[rule.covers].length;
    const way = this.wayOf(rule, facts);
    const { minutes, ...from } = minutesOfRule(wayOfRule(rule.minutes, way), zones, this.sized);
    const cautions = rule.caution ? [rule.caution] : [];
    const byHand = way === 'airbrush' || !load ? {} : handledBy(way, load, SPRAYING[load.chemistry].caution);
    return stepOf(key, titledBy(way, title), rule.kind, rule.lane, minutes, {
      ...from,
      splittable: rule.splittable ?? false,
      passes: typeof rule.minutes === 'number' ? 1 : (rule.minutes.coats ?? 1),
      load,
      stage: stageOfRule(rule.key),
      schools: schoolsOfRule(rule),
      tape: rule.tape ?? null,
      alike: [...(rule.alike ?? []), ...parts.flatMap((other) => (other.key === key ? [] : [other.key]))],
      lays: facts && all ? [driedBy(way, layerOfCoat(facts))] : [],
      coat: rule.lays ? roleOf(rule.lays) : null,
      zones,
      general: isWhole ? rule.covers! : null,
      gate: rule.gate ?? null,
      cautions,
      why: rule.why ?? '',
      ...byHand,
      // What the work is called stays: a seal is a seal, however it goes on.
      ...(rule.kind === 'seal' ? { kind: 'seal' as const } : {}),
    });
  }

  /** What a step really waits for: rules that do not apply, and joints with nothing in them, pass their own waits on. */
  private origins(key: string, seen = new Set<string>()): Omit<RouteLink, 'to'>[] {
    if (seen.has(key)) return [];
    seen.add(key);
    const rule = RULES.find((candidate) => candidate.key === key);
    return this.originsOf(rule?.after ?? [], seen);
  }

  private originsOf(afters: readonly After[], seen = new Set<string>()): Omit<RouteLink, 'to'>[] {
    return afters.flatMap((after): Omit<RouteLink, 'to'>[] => {
      const from = typeof after === 'string' ? after : after.step;
      if (typeof after !== 'string' && 'when' in after && after.when?.(this.asked) === false) return [];
      const insert = this.inserts.get(from);
      if (insert && insert.last.length > 0) {
        const { least } = this.waitAfter(after);
        return insert.last.map((end) => ({
          from: end.key,
          minLag: Math.max(least, end.wait),
          maxLag: null,
          why: end.why,
        }));
      }
      const waited = (key: string, part?: Part) => {
        const { least, most, why } = this.waitAfter(after, part);
        return { from: key, minLag: least, maxLag: most, why };
      };
      if (this.additions.has(from)) return [waited(from)];
      const active = insert ? null : this.active.get(from);
      return active ? active.parts.map((part) => waited(part.key, part)) : this.origins(from, seen);
    });
  }

  /** How long something waits for what a rule names: for that part of it, where it lays several products. */
  private waitAfter(after: After, part?: Part): { least: number; most: number | null; why: string } {
    if (typeof after === 'string') return FIRST_THINGS;
    if ('minutes' in after) return { least: after.minutes, most: null, why: after.why };
    if ('wait' in after) {
      const { minutes, most, says } = waitFor(after.wait, this.climate);
      return { least: minutes, most, why: says };
    }
    if ('when' in after) return FIRST_THINGS;
    const coat = this.coatAfter(after.step, part);
    if (!coat) return { least: 0, most: null, why: after.why };
    const least = dryingTime(coat, after.until, this.climate);
    const most = after.pulls ? Math.max(least, MOST_TAPE[coat.chemistry]) : null;
    return { least, most, why: after.why };
  }

  private coatAfter(step: string, part?: Part): Coat | null {
    const rule = RULES.find(({ key }) => key === step);
    if (rule?.lays) {
      const facts = part?.facts ?? this.coats.coats[rule.lays];
      return driedBy(this.wayOf(rule, facts), facts);
    }
    const added = this.additions.get(step)?.step;
    return added?.load ?? added?.lays.at(-1) ?? null;
  }
}
