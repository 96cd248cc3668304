import type { RoutePlan } from '@/core/route/plan';
import type { Route } from '@/core/work/step';

/** What a part that is not ready holds up. */
export interface HeldUp {
  step: string;
  /** Steps that cannot begin before it, in the order of their days. */
  holds: { title: string; start: string | null }[];
}

/** For each step that a part makes and that is not done: what waits for the part first that is none of its own work, and when that is planned. */
export function heldUpBy(route: Route, plan: RoutePlan): Map<string, HeldUp> {
  const work = new Map(plan.work.map((item) => [item.key, item]));
  const titles = new Map(route.steps.map(({ key, title }) => [key, title]));
  const parts = new Set(route.steps.flatMap(({ key, family }) => (family === 'part' ? [key] : [])));
  const after = new Map<string, string[]>();
  for (const { from, to } of route.links) if (parts.has(from)) after.set(from, [...(after.get(from) ?? []), to]);
  const beyond = (key: string, seen: Set<string>): string[] =>
    (after.get(key) ?? []).flatMap((next) => {
      if (seen.has(next)) return [];
      seen.add(next);
      return parts.has(next) ? beyond(next, seen) : [next];
    });
  const held = new Map<string, HeldUp>();
  for (const key of after.keys()) {
    if (work.get(key)?.done) continue;
    const holds = beyond(key, new Set())
      .map((next) => ({ title: titles.get(next) ?? next, start: work.get(next)?.start ?? null }))
      .sort((a, b) => (a.start ?? '9999').localeCompare(b.start ?? '9999'));
    held.set(key, { step: key, holds });
  }
  return held;
}
