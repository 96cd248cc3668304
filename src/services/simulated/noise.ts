/** Repeatable chance for the simulated services: the same seed gives the same numbers (mulberry32 over a string hash). */
export function chanceOf(seed: string): () => number {
  let state = 2166136261;
  for (const sign of seed) state = Math.imul(state ^ sign.charCodeAt(0), 16777619);
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A normal deviate (Box, Muller 1958). */
export const normalOf = (chance: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
