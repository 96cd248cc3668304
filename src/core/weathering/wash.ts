import type { Lab } from '@/core/colour/types';
import type { Options } from '@/core/kit/options';

/** How the wash of a machine is laid. */
export interface WashPlan {
  kind: 'pin' | 'overall';
  over: Options['washOver'];
  because: string;
  /** What it should look like in the lines. */
  colour: Lab;
  /** How wide the lines are that it draws, mm on the model, and how wide as if on the real machine. */
  lineMm: number;
  lineRealMm: number;
}

/** From this scale on, matt drags a wash over everything. */
const SMALL = 72;
/** A panel line of a kit, mm; narrower ones are no longer moulded. */
const LINE_MM = 0.15;
/** A line that would be wider than this on the real machine has to be paler, or it reads as a trench. */
const TRENCH_MM = 6;

/**
 * A pin wash runs along the lines over gloss; one over everything needs matt to hold and a scale at which it does not drown the surface. Darker
 * than the base colour, never black, and the paler the wider its line would be on the real machine.
 */
export function planWash(base: Lab, denominator: number, over: Options['washOver'], isWorn: boolean): WashPlan {
  const kind = over === 'matt' && denominator < SMALL ? 'overall' : 'pin';
  const lineRealMm = LINE_MM * denominator;
  const depth = 0.55 * Math.min(1, TRENCH_MM / lineRealMm + 0.35) * (kind === 'overall' ? 0.6 : 1);
  const [l, a, b] = base;
  const warm = isWorn ? 3 : 1;
  return {
    kind,
    over,
    because:
      kind === 'overall'
        ? 'matt holds it: it tints the whole surface as well as the lines'
        : over === 'matt'
          ? `at 1/${denominator} a wash over all of a matt surface would drown it: along the lines only, with a damp brush`
          : 'gloss lets it run along the lines, and the rest is wiped off',
    colour: [Math.max(10, l * (1 - depth)), a * 0.5 + warm * 0.5, b * 0.5 + warm],
    lineMm: LINE_MM,
    lineRealMm,
  };
}
