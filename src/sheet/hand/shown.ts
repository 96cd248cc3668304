import { hexOf, hexToLab } from '@/core/colour/spaces';
import { seenOn, type FilmCoat, type Seen, type Sheen, type Stand } from '@/core/laid/film';
import { GLASS_LOOK, UNDECIDED_COLOUR, type SkinPiece } from '@/core/skin/piece';
import { lookOf } from '@/core/weathering/looks';
import type { BriefFilm } from '@/core/workshop/filmed';
import { fillOf, type SheetMode } from '../fill-of';
import type { SheetOverlay } from '../airframe-sheet';
import type { SheetData, ZoneData } from '../sheet-data';
import type { Fill } from '../view-drawing';

/** How lines are drawn over a piece: as the sheet hatches, or over what is under tape. */
export type Hatch = 'leaning' | 'contested' | 'taped';

/** A piece of the skin as it is shown now. */
export interface Shown {
  piece: SkinPiece;
  colour: string;
  opacity: number;
  sheen: Sheen;
  hatch: Hatch | null;
}

/** What is not painted. */
const PLASTIC = '#d3d5d4';
/** Tape, whatever its maker makes it of. */
export const TAPE = '#e4e2d8';
const UNSEEN = '#f3f3f3';

/** Which colours are shown: those that were chosen, or those that are official. */
export type Palette = 'chosen' | 'official';

/** The machine as it is ruled, or as the sheet tells at its station; `end` is how the film leaves it: how it takes the light. */
export function ruledPieces(
  pieces: readonly SkinPiece[],
  data: SheetData,
  mode: SheetMode,
  overlay: SheetOverlay | null,
  end: { film: BriefFilm; stand: Stand; palette: Palette } | null,
): Shown[] {
  const zones = new Map(data.zones.map((zone) => [zone.key, zone]));
  const told = !overlay && (mode === 'certainty' || mode === 'progress');
  return pieces.flatMap((piece): Shown[] => {
    const { zone, code, marking, glass, share } = piece;
    if (marking !== null && (told || overlay?.hidden.has(marking))) return [];
    if (glass) return [{ piece, ...GLASS_LOOK, sheen: 'gloss', hatch: null }];
    const known = zones.get(zone);
    // Overspray onto the next zone is told by neither.
    if ((told || overlay) && share < 1 && code === null) return [];
    if (told) return [{ piece, ...filled(fillOf(mode, known)), opacity: 1, sheen: 'matt' }];
    const sheen = end ? (seenOn(piece, end.film, end.stand)?.sheen ?? 'matt') : 'matt';
    // Another day's colours are of whole zones: its fields are not drawn.
    const colour =
      overlay && marking === null ? (overlay.colours.get(zone) ?? UNDECIDED_COLOUR) : colourOf(piece, known, data, end);
    return [{ piece, colour, opacity: overlay && marking === null ? 1 : share, sheen, hatch: null }];
  });
}

function colourOf(
  { zone, code }: SkinPiece,
  known: ZoneData | undefined,
  data: SheetData,
  end: Parameters<typeof ruledPieces>[4],
): string {
  const own = end && (code === null ? end.film.grounds[zone] : (end.film.standard[code] ?? code));
  const ink = own ? end.film.inks[own]?.[end.palette] : undefined;
  return ink ?? (code ? data.inks[code] : known?.colour) ?? UNDECIDED_COLOUR;
}

const filled = (fill: Fill): Pick<Shown, 'colour' | 'hatch'> =>
  'paint' in fill
    ? { colour: fill.paint, hatch: null }
    : { colour: UNSEEN, hatch: fill.hatch === 'unseen' ? null : fill.hatch };

/** The machine as it stands between two pieces of work. */
export function standingPieces(pieces: readonly SkinPiece[], film: BriefFilm, stand: Stand, palette: Palette): Shown[] {
  return pieces.flatMap((piece): Shown[] => {
    const seen = seenOn(piece, film, stand);
    if (!seen) return [];
    if (piece.glass && !seen.isTaped) return [{ piece, ...GLASS_LOOK, sheen: 'gloss', hatch: null }];
    return [
      {
        piece,
        colour: piece.glass ? TAPE : seenColour(seen, film, palette),
        opacity: piece.glass ? 1 : piece.share,
        sheen: seen.sheen ?? 'satin',
        hatch: seen.isTaped ? 'taped' : null,
      },
    ];
  });
}

/** What an eye mixes of coats that let what is under them through; plastic under all. */
export function seenColour({ coats }: Seen, film: BriefFilm, palette: Palette): string {
  const inkOf = ({ code, hex }: FilmCoat) => (code === null ? hex : (film.inks[code]?.[palette] ?? null));
  const [lowest] = coats;
  // Only the lowest that is seen hides all under it.
  const base = lowest && lowest.hides >= 1 ? (inkOf(lowest) ?? UNDECIDED_COLOUR) : PLASTIC;
  const covers = coats.flatMap((coat) => {
    const ink = coat.hides < 1 ? inkOf(coat) : null;
    return ink ? [{ colour: hexToLab(ink), share: coat.hides }] : [];
  });
  return covers.length > 0 ? hexOf(lookOf(hexToLab(base), covers)) : base;
}
