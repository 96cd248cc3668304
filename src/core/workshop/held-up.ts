import type { RoutePlan } from '@/core/route/plan';
import type { Route } from '@/core/work/step';

/** What a part that is not ready holds up. */
export interface HeldUp {
  step: string;
  /** Steps that cannot begin before it, in the order of their days. */
  holds: { title: string; start: string | null }[];
}

/** For each step that a part makes and that is not done: what waits for it directly, and when that is planned. */
export function heldUpBy(route: Route, plan: RoutePlan): Map<string, HeldUp> {
  const work = new Map(plan.work.map((item) => [item.key, item]));
  const titles = new Map(route.steps.map(({ key, title }) => [key, title]));
  const parts = new Set(route.steps.flatMap(({ key, family }) => (family === 'part' ? [key] : [])));
  const held = new Map<string, HeldUp>();
  for (const { from, to } of route.links) {
    if (!parts.has(from) || work.get(from)?.done) continue;
    const known = held.get(from) ?? { step: from, holds: [] };
    known.holds.push({ title: titles.get(to) ?? to, start: work.get(to)?.start ?? null });
    held.set(from, known);
  }
  for (const { holds } of held.values()) holds.sort((a, b) => (a.start ?? '9999').localeCompare(b.start ?? '9999'));
  return held;
}
