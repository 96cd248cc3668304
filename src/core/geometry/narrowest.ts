import { difference, grown, regionArea, simplified, type Region } from './clip';
import { signedArea } from './polygon';

/** Grown back a little further than it was shrunk, its sides do not lie on those of the shape, which clipping is slow at. */
const OVER = 1.02;
/** Bisections after which the answer is within a thousandth. */
const ROUNDS = 22;

/**
 * The narrowest neck or stroke of a region, in its unit: twice the distance by which it can be shrunk before a piece of it parts, vanishes,
 * or cannot be grown back (its arms are gone). It is shrunk by a disc and grown with sharp corners, so that corners are no strokes.
 */
export function narrowest(of: Region): number {
  const size = Math.sqrt(regionArea(of));
  if (size === 0) return 0;
  // Fine corners of curves cost time and tell nothing: only those go that are small beside what was found.
  let found = size;
  for (let round = 0; round < 3; round += 1) {
    const tolerance = found * SMOOTHED;
    const plain = simplified(of, tolerance);
    found = narrowestOf(plain);
    if (tolerance <= found * SMOOTHED * 1.5 || plain.flat().length === of.flat().length) break;
  }
  return found;
}

/** Corners nearer to the line between their neighbours than this share of a stroke are left out of it. */
const SMOOTHED = 0.0025;

function narrowestOf(of: Region): number {
  const whole = regionArea(of);
  if (whole === 0) return 0;
  const pieces = outers(grown(of, 0, 'sharp'));
  const survives = (by: number): boolean => {
    const left = grown(of, -by, 'round', by * 4e-3);
    if (outers(left) !== pieces) return false;
    return regionArea(difference(of, grown(left, by * OVER, 'sharp'))) <= by * by * 0.5;
  };
  // Nothing is thicker than a disc of its area.
  let [sure, gone] = [0, Math.sqrt(whole / Math.PI) * 1.01];
  // Passages open one after the other: the first is found from below.
  let step = gone / 500;
  while (step < gone && survives(step)) {
    sure = step;
    step *= 1.6;
  }
  gone = Math.min(gone, step);
  for (let i = 0; i < ROUNDS && gone - sure > gone * 5e-4; i += 1) {
    const middle = (sure + gone) / 2;
    if (survives(middle)) sure = middle;
    else gone = middle;
  }
  return sure + gone;
}

/** Rings that are no holes. */
const outers = (of: Region): number => of.filter((ring) => signedArea(ring) > 0).length;
