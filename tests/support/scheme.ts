import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import type { SchemeCall, SchemeCandidate, SchemeEdge, SchemeOptions } from '@/core/match/scheme';

/** F of a whole choice, written from the contract and nothing else. */
export function valueOf(
  list: readonly SchemeCall[],
  edges: readonly SchemeEdge[],
  picked: readonly SchemeCandidate[],
  { lambda, perBottle, perLine }: SchemeOptions,
): number {
  const error = list.map((call, i) => picked[i]!.lab.map((value, k) => value - call.lab[k]!));
  const at = (id: string) => list.findIndex((call) => call.id === id);
  const C = (lab: Lab) => Math.hypot(lab[1], lab[2]);
  let F = 0;
  list.forEach((call, i) => (F += call.weight * deltaE00(call.lab, picked[i]!.lab)));
  for (const { a, b, weight } of edges) {
    const [i, k] = [at(a), at(b)];
    const s = (1 / (1 + 0.045 * C(list[i]!.lab)) + 1 / (1 + 0.045 * C(list[k]!.lab))) / 2;
    const d = error[i]!.map((value, axis) => (axis === 0 ? 1 : s) * (value - error[k]![axis]!));
    F += lambda * weight * Math.hypot(...d);
  }
  F += perBottle * new Set(picked.filter((paint) => !paint.owned).map((paint) => paint.id)).size;
  return F + perLine * new Set(picked.map((paint) => paint.line)).size;
}
/** F of the best of every choice there is. */
export function everyChoice(
  list: readonly SchemeCall[],
  edges: readonly SchemeEdge[],
  from: readonly SchemeCandidate[],
  options: SchemeOptions,
) {
  let best = Infinity;
  const pick = (picked: SchemeCandidate[]) => {
    if (picked.length === list.length) {
      if (options.maxLines !== null && new Set(picked.map((p) => p.line)).size > options.maxLines) return;
      if (options.sameChemistry && new Set(picked.map((p) => p.chemistry)).size > 1) return;
      best = Math.min(best, valueOf(list, edges, picked, options));
    } else for (const paint of from) pick([...picked, paint]);
  };
  pick([]);
  return best;
}
