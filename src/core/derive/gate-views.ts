import type { Outline } from '@/core/outline/outline';
import { GATES, type GateName } from '@/core/route/gates';
import type { RoutePlan } from '@/core/route/plan';
import type { OpenItem } from './open-items';

/** A gate of the route with what is open behind it. */
export interface GateView {
  name: GateName;
  title: string;
  /** Local date-time at which it is planned; null when it is not part of the route. */
  start: string | null;
  passed: boolean;
  open: OpenItem[];
}

/** The gates that are planned or that something waits at, in the order of their days. */
export function gateViews(plan: RoutePlan, items: readonly OpenItem[]): GateView[] {
  return (Object.keys(GATES) as GateName[])
    .flatMap((name) => {
      const work = plan.work.find((item) => item.step.gate === name);
      const open = items.filter((item) => item.gate === name);
      return work || open.length > 0
        ? [{ name, title: GATES[name], start: work?.start ?? null, passed: work?.done ?? false, open }]
        : [];
    })
    .sort((a, b) => (a.start ?? '9999').localeCompare(b.start ?? '9999'));
}

/** Those of some zones that lie behind a gate that is passed: out of reach, unless they are opened again. */
export function closedIn(
  { outline, gates }: { outline: Pick<Outline, 'zones'>; gates: readonly GateView[] },
  keys: readonly string[],
): string[] {
  const shut = new Set(gates.flatMap(({ name, passed }): string[] => (passed ? [name] : [])));
  const closedBy = new Map(outline.zones.map((zone) => [zone.key, zone.closedBy]));
  return keys.filter((key) => shut.has(closedBy.get(key) ?? ''));
}
