import type { Sequencer } from './sequence';

/**
 * Of each colour, by number, and each step: the loads of it that the longest line of waits from that step on asks for, with another colour in
 * the airbrush, and with this one.
 */
export function loadsAhead({ steps, followers, paint, cleanOut }: Sequencer): [Uint16Array[], Uint16Array[]] {
  const counts = [0, 1].map(() => cleanOut.map(() => new Uint16Array(steps.length))) as [Uint16Array[], Uint16Array[]];
  for (let c = 0; c < cleanOut.length; c += 1)
    for (let k = steps.length - 1; k >= 0; k -= 1) {
      const most = (isLoaded: 0 | 1) => Math.max(0, ...followers[k]!.map((next) => counts[isLoaded][c]![next]!));
      const isOwn = paint[k] === c;
      const isOther = paint[k]! >= 0 && !isOwn;
      counts[0][c]![k] = isOwn ? 1 + most(1) : most(0);
      counts[1][c]![k] = isOther ? most(0) : most(1);
    }
  return counts;
}

/** Minutes that loading each colour, by number, takes at the least, whatever was in the airbrush before. */
export const cheapestLoads = ({ cleanOut }: Sequencer): number[] =>
  cleanOut.map((_, to) => {
    const others = cleanOut.flatMap((from, state) => (state === to ? [] : [from[to]!]));
    return others.length > 0 ? Math.min(...others) : 0;
  });

/**
 * Minutes of cleaning that all open steps ask for at the least: of each colour, the loads of its longest line. What is in the airbrush now, and
 * is not sprayed any more, helps only the first of them.
 */
export function leastCleaning(sequencer: Sequencer): number {
  const { cleanOut, first, paint, resets } = sequencer;
  const [empty, loaded] = loadsAhead(sequencer);
  const sprayed = [...new Set(paint)].filter((c) => c >= 0);
  const cheapest = (c: number, states: readonly number[]) =>
    Math.min(...states.filter((state) => state !== c).map((state) => cleanOut[state]![c]!));
  const states = resets ? [0, ...sprayed] : sprayed;
  let minutes = 0;
  let saved = 0;
  for (const c of sprayed) {
    const count = Math.max(0, ...(first.state === c ? loaded : empty)[c]!);
    if (count === 0) continue;
    const now = first.state === c ? Infinity : cleanOut[first.state]![c]!;
    const later = cheapest(c, states);
    // The only colour left is loaded once at most.
    if (later === Infinity) return now === Infinity ? 0 : now;
    minutes += count * later;
    saved = Math.max(saved, later - now);
  }
  return Math.max(0, minutes - saved);
}
