import { among } from '@/core/kit/among';
import { dryingTime, waitFor, type Climate, type Coat } from '@/core/paint/drying';
import type { GeneralWay } from '@/core/kit/applying';
import { SPRAYING } from '@/core/paint/spraying';
import type { PaintKind } from '@/core/paint/catalogue';
import { RULES, rulesAfter, stageOfRule } from './rules';
import { ASSUMED_COATS, roleOf, type GeneralCoats } from './general-coats';
import type { After, Build, Skin, StepRule } from './rules/rule';
import type { Joint } from '@/core/work/kinds';
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

/** The zones of a rule; null where it is work on no zone that is named. */
function zonesOf(rule: StepRule, build: Build, covered: Route['covered']): string[] | null {
  const { at, covers } = rule;
  if (!at && !covers) return null;
  const within = covers && new Set(covered[covers]);
  return build.zones.flatMap((zone) =>
    (!at || at(zone)) && (!within || within.has(zone.key)) && isWorked(rule, zone.key, build) ? [zone.key] : [],
  );
}

const applies = ({ where = {}, on = {}, when, mist }: StepRule, build: Build): boolean =>
  (!mist || build.general === 'airbrush') &&
  among(where, build.options) &&
  among(on, build.machine) &&
  (!when || when(build));

/** A rule of this build, with its zones. */
interface Active {
  rule: StepRule;
  zones: string[] | null;
}

const isSprayed = ({ lays, kind }: StepRule): boolean =>
  lays !== undefined && kind !== 'brush' && SPRAYED.has(ASSUMED_COATS[lays].kind);

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
    private readonly coats: GeneralCoats,
    private readonly covered: Route['covered'],
    private readonly sized: Sized,
    private readonly left: readonly string[] = [],
  ) {
    this.general = asked.general;
    this.active = new Map(
      RULES.flatMap((rule): [string, Active][] => {
        if (left.includes(rule.key) || !applies(rule, asked)) return [];
        const zones = zonesOf(rule, asked, covered);
        // What nobody will see any of is not worked on.
        return zones?.length === 0 ? [] : [[rule.key, { rule, zones }]];
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
      const { rule } = active;
      const insert = this.inserts.get(rule.key);
      const targets = insert ? insert.first : [rule.key];
      if (insert) {
        steps.push(...insert.steps);
        insert.links.forEach(add);
      } else steps.push(this.stepOf(active));
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
    return { steps, links: [...links.values()], covered: this.covered, sleeping: [] };
  }

  /** The steps at which something named by the rules begins: of what does not apply, those of what follows it. */
  private targets(key: string, seen = new Set<string>()): string[] {
    if (seen.has(key)) return [];
    seen.add(key);
    if (this.additions.has(key)) return [key];
    const insert = this.inserts.get(key);
    if (insert && insert.first.length > 0) return insert.first;
    if (!insert && this.active.has(key)) return [key];
    return rulesAfter(key).flatMap((rule) => this.targets(rule.key, seen));
  }

  /** What is laid may be worked over only once it is dry. */
  private waitBehind({ load, lays }: RouteStep): number {
    const coat = load ?? lays.at(-1);
    return coat ? dryingTime(coat, 'recoat', this.climate) : 0;
  }

  /** How the coat of a rule goes on. */
  private readonly wayOf = (rule: StepRule): GeneralWay =>
    isSprayed(rule) ? ((rule.lays && this.coats[rule.lays].way) ?? this.general) : 'airbrush';

  private stepOf({ rule, zones: named }: Active): RouteStep {
    const coat = rule.lays ? this.coats[rule.lays] : null;
    const load: Load | null = isSprayed(rule) ? coat : null;
    const zones = named ?? [];
    const isWhole = !rule.at && rule.covers !== undefined && zones.length === this.covered[rule.covers].length;
    const way = this.wayOf(rule);
    const { minutes, ...from } = minutesOfRule(wayOfRule(rule.minutes, way), zones, this.sized);
    const cautions = rule.caution ? [rule.caution] : [];
    const byHand = way === 'airbrush' || !load ? {} : handledBy(way, load, SPRAYING[load.chemistry].caution);
    return stepOf(
      rule.key,
      titledBy(way, this.general === 'airbrush' ? rule.title : (rule.titleByHand ?? rule.title)),
      rule.kind,
      rule.lane,
      minutes,
      {
        ...from,
        splittable: rule.splittable ?? false,
        passes: typeof rule.minutes === 'number' ? 1 : (rule.minutes.coats ?? 1),
        load,
        stage: stageOfRule(rule.key),
        schools: schoolsOfRule(rule),
        tape: rule.tape ?? null,
        alike: rule.alike ?? [],
        lays: coat && named ? [driedBy(way, layerOfCoat(coat))] : [],
        coat: rule.lays ? roleOf(rule.lays) : null,
        zones,
        general: isWhole ? rule.covers! : null,
        gate: rule.gate ?? null,
        cautions,
        why: rule.why ?? '',
        ...byHand,
        // What the work is called stays: a seal is a seal, however it goes on.
        ...(rule.kind === 'seal' ? { kind: 'seal' as const } : {}),
      },
    );
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
      if (typeof after !== 'string' && 'when' in after && !after.when(this.asked)) return [];
      const insert = this.inserts.get(from);
      const { least, most, why } = this.waitAfter(after);
      if (insert && insert.last.length > 0)
        return insert.last.map((end) => ({
          from: end.key,
          minLag: Math.max(least, end.wait),
          maxLag: null,
          why: end.why,
        }));
      if (this.additions.has(from) || (!insert && this.active.has(from)))
        return [{ from, minLag: least, maxLag: most, why }];
      return this.origins(from, seen);
    });
  }

  private waitAfter(after: After): { least: number; most: number | null; why: string } {
    if (typeof after === 'string' || 'when' in after) return { least: 0, most: null, why: 'first things first' };
    if ('minutes' in after) return { least: after.minutes, most: null, why: after.why };
    if ('wait' in after) {
      const { minutes, most, says } = waitFor(after.wait, this.climate);
      return { least: minutes, most, why: says };
    }
    const rule = RULES.find(({ key }) => key === after.step);
    const added = this.additions.get(after.step)?.step;
    const coat: Coat | null = rule?.lays
      ? driedBy(this.wayOf(rule), this.coats[rule.lays])
      : (added?.load ?? added?.lays.at(-1) ?? null);
    if (!coat) return { least: 0, most: null, why: after.why };
    const least = dryingTime(coat, after.until, this.climate);
    const most = after.pulls ? Math.max(least, MOST_TAPE[coat.chemistry]) : null;
    return { least, most, why: after.why };
  }
}
