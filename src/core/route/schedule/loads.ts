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

/** The least that loading a colour takes from one of some states; Infinity where there is no other. */
const cheapestFrom = ({ cleanOut }: Sequencer, states: readonly number[], to: number): number =>
  Math.min(...states.filter((state) => state !== to).map((state) => cleanOut[state]![to]!));

/** Minutes that loading each colour, by number, takes at the least, whatever was in the airbrush before. */
export function cheapestLoads(sequencer: Sequencer): number[] {
  const states = [...sequencer.cleanOut.keys()];
  return states.length > 1 ? states.map((to) => cheapestFrom(sequencer, states, to)) : [0];
}

/**
 * Minutes of cleaning that all open steps ask for at the least: of each colour, the loads of its longest line. What is in the airbrush now, and
 * is not sprayed any more, helps only the first of them.
 */
export function leastCleaning(sequencer: Sequencer): number {
  const { cleanOut, first, paint, resets } = sequencer;
  const [empty, loaded] = loadsAhead(sequencer);
  const sprayed = [...new Set(paint)].filter((c) => c >= 0);
  const states = resets ? [0, ...sprayed] : sprayed;
  let minutes = 0;
  let saved = 0;
  for (const c of sprayed) {
    const count = Math.max(0, ...(first.state === c ? loaded : empty)[c]!);
    if (count === 0) continue;
    const now = first.state === c ? Infinity : cleanOut[first.state]![c]!;
    const later = cheapestFrom(sequencer, states, c);
    // The only colour left is loaded once at most.
    if (later === Infinity) return now === Infinity ? 0 : now;
    minutes += count * later;
    saved = Math.max(saved, later - now);
  }
  return Math.max(0, minutes - saved);
}
