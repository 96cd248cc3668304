import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { isGrave, layOver, type Chemistry } from '@/core/paint/chemistry';
import type { Paint } from '@/core/paint/catalogue';
import { passesOver, PERCENTS } from './plan';

/** A filter that brings a sprayed colour nearer to what was called for. */
export interface BroughtRound {
  paint: Paint;
  /** Of it in the cup, the rest thinner. */
  percent: number;
  passes: number;
  /** What it is expected to look like. */
  lab: Lab;
  /** dE00 to what was called for, as it is now and with the filter. */
  was: number;
  now: number;
}

const MOST_PASSES = 8;
/** A filter that gains less, dE00, is not worth its tape; one more pass must gain as much as this share of it. */
const WORTH = 0.7;
const PASS_WORTH = 0.1;

/**
 * The filter that brings a colour as it is seen nearest to the called one: of all paints, per cents and passes the least difference, by the
 * films of the paint over what is seen (Kubelka 1948); where two are all but equal, the fewer passes. Null where none gains enough, as
 * where only a lighter paint of full strength would do.
 */
export function bringRound(called: Lab, seen: Lab, paints: readonly Paint[], over: Chemistry): BroughtRound | null {
  const was = deltaE00(called, seen);
  const under = passesOver(seen);
  let best: BroughtRound | null = null;
  for (const paint of paints) {
    if (paint.kind !== 'solid' || isGrave(layOver(paint.chemistry, over).verdict)) continue;
    for (const percent of PERCENTS)
      under(paint, MOST_PASSES, percent).forEach((lab, i) => {
        const now = deltaE00(called, lab);
        const passes = i + 1;
        const gains = (best?.now ?? was) - now;
        if (gains > (best && passes > best.passes ? PASS_WORTH * (passes - best.passes) : 0))
          best = { paint, percent, passes, lab, was, now };
      });
  }
  const found = best as BroughtRound | null;
  return found && was - found.now >= WORTH ? found : null;
}
