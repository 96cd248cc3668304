import { median } from '@/core/units/median';
import type { Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import type { Paint } from './catalogue';
import { coatThickness, countCoats } from './coats';
import { pigmentOfPaint } from './paint-pigment';
import { thinRatioOf } from './thinning';
import { rememberingFor } from '@/core/units/remembered';

/** How many coats of a paint are planned for, and why: what layers, cup, minutes, buying and route all go by. */
export interface PlannedCoats {
  coats: number;
  because: string;
}

/** What benches lay where no film can be computed: of metals, clears, and paints without a colour. */
const CUSTOM = 2;
/** Where a film never hides: thin, patient coats, and a better ground. */
const WHERE_NEVER = 4;

/** `logged` are the coats that this builder laid of this paint before: their median wins over every reckoning. */
export function plannedCoats(paint: Paint, ground: Lab, logged: readonly number[] = []): PlannedCoats {
  if (logged.length > 0) {
    const coats = Math.round(median(logged));
    return { coats, because: `${coats} by your own log, ${logged.length === 1 ? 'once' : `${logged.length} times`}` };
  }
  return reckoned(paint, ground.join(' '), () => reckonCoats(paint, ground));
}

/** Films are dear to reckon: each paint over each ground once, as long as the paint is known. */
const reckoned = rememberingFor<Paint, PlannedCoats>(1000);

function reckonCoats(paint: Paint, ground: Lab): PlannedCoats {
  const known = paint.kind === 'solid' ? pigmentOfPaint(paint) : null;
  if (!known) return { coats: CUSTOM, because: `${CUSTOM} by custom: what such a paint hides is not computed` };
  return coatsOfFilm(known.pigment, paint, ground, `known from ${known.from}`);
}

/** The coats of one film over a ground, with how its paint is known. */
export function coatsOfFilm(
  pigment: Pigment,
  thinned: Parameters<typeof thinRatioOf>[0],
  ground: Lab,
  known: string,
): PlannedCoats {
  const thickness = coatThickness(thinRatioOf(thinned), thinned.chemistry);
  const { coats } = countCoats({ pigment, thickness, ground: { lab: ground } });
  return coats === null
    ? {
        coats: WHERE_NEVER,
        because: `${WHERE_NEVER}, though twelve would not hide that ground: lay an undercoat first`,
      }
    : { coats, because: `${coats} until the ground no longer shows at arm's length, ${known}` };
}
