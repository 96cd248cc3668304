import { dryingTime, waitFor, type Climate, type Coat } from '@/core/paint/drying';
import type { PaintKind } from '@/core/paint/catalogue';
import { RULES } from './rules';
import { GENERAL_COATS, type After, type Build, type StepRule } from './rules/rule';
import { stepOf, type Insert, type Load, type Route, type RouteLink, type RouteStep } from './step';

/** General coats that go through the airbrush. */
const SPRAYED: ReadonlySet<PaintKind> = new Set(['solid', 'clear']);

/** Applies the fixed rules and lets the colour runs in at their joints. Waits follow what was laid and the bench's climate. */
export class NetworkBuilder {
  private readonly active: Map<string, StepRule>;
  private readonly inserts = new Map<string, Insert>();

  constructor(
    build: Build,
    private readonly climate: Climate,
  ) {
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
    const coat = rule.lays ? GENERAL_COATS[rule.lays] : null;
    const load: Load | null = coat && SPRAYED.has(coat.kind) ? coat : null;
    return stepOf(rule.key, rule.title, rule.kind, rule.lane, rule.minutes, {
      splittable: rule.splittable ?? false,
      load,
      layer:
        coat && rule.covers
          ? {
              what: coat.what,
              chemistry: coat.chemistry,
              dries: coat.dries,
              code: null,
              paint: coat.title,
              coats: 1,
              covers: rule.covers,
            }
          : null,
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
      const from = typeof after === 'string' ? after : after.step;
      const insert = this.inserts.get(from);
      const { least, most, why } = this.waitAfter(after);
      if (insert && insert.last.length > 0)
        return insert.last.map((end) => ({
          from: end.key,
          minLag: Math.max(least, end.wait),
          maxLag: null,
          why: end.why,
        }));
      if (!insert && this.active.has(from)) return [{ from, minLag: least, maxLag: most, why }];
      return this.origins(from, seen);
    });
  }

  private waitAfter(after: After): { least: number; most: number | null; why: string } {
    if (typeof after === 'string') return { least: 0, most: null, why: 'first things first' };
    if ('wait' in after) {
      const { minutes, most, says } = waitFor(after.wait, this.climate);
      return { least: minutes, most, why: says };
    }
    const laid = RULES.find(({ key }) => key === after.step)?.lays;
    const coat: Coat | null = laid ? GENERAL_COATS[laid] : null;
    return { least: coat ? dryingTime(coat, after.until, this.climate) : 0, most: null, why: after.why };
  }
}
