import { grown, solid, type Region } from '@/core/geometry/clip';
import { extentOf, rectangle, type Point, type Polygon } from '@/core/geometry/polygon';
import { hexToLab, labToHex } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { counted, listed } from '@/core/units/words';
import { turnedDown, type CutPiece, type CutSheet, type Fill } from './cut-sheet';
import { fieldsOf, silhouetteOf } from './drawn';
import { codeAt, type PlaceableMarking } from './placing';
import type { Printing } from './printing';

/** Decals that are printed at home, in colour and true mm on the model, with their spares, bleed and cutting lines. */

/** Film left round a print on clear film; colour beyond the line on white film, so that a knife that wanders finds no white. mm. */
const FILM_MM = 0.8;
const BLEED_MM = 0.6;
/** White that is printed under a print stays so far inside it, mm. */
const CHOKE_MM = 0.1;
const BLACK = '#000000';

export interface ToPrint {
  marking: PlaceableMarking & { title: string };
  printing: Printing;
  /** Shown instead of its block, where the artwork is a picture. */
  pictureId: string | null;
  /** The colours that it lies on, the one that it shows against first. */
  grounds: readonly string[];
}

/** The colours; the white under those of clear film, in a pass of its own; or faint colours, to be painted over by hand. */
export type PrintAs = 'colours' | 'white' | 'faint';

export interface InkFacts {
  /** How a code is printed; null where its colour is not known. */
  hexOf: (code: string) => string | null;
  nameOf: (code: string) => string;
}

/** A faint print shows where a brush goes, and is hidden by one coat. */
const FAINT = 0.35;
const faint = (hex: string): string =>
  labToHex(WHITE_LAB.map((white, i) => white + FAINT * (hexToLab(hex)[i]! - white)) as unknown as Lab).hex;
const WHITE_LAB: Lab = [100, 0, 0];

/** A code of which nobody knows the colour is printed in this grey, and named. */
const UNKNOWN = '#808080';

/**
 * The sheet of all that is printed at home: each marking for each of its places, and its spares; the white under them on a sheet of the same
 * lie.
 */
export function printSheet(prints: readonly ToPrint[], denominator: number, inks: InkFacts, as: PrintAs): CutSheet {
  const unknown = new Set<string>();
  const inkOf = (code: string): string => {
    const hex = inks.hexOf(code);
    if (!hex) unknown.add(code);
    return as === 'faint' ? faint(hex ?? UNKNOWN) : (hex ?? UNKNOWN);
  };
  const notes: string[] = [];
  const pieces = prints.flatMap((print): CutPiece[] => {
    const { marking, printing } = print;
    const mirrors = marking.places.map(({ mirrored }) => mirrored);
    const wanted = mirrors.length > 0 ? mirrors : [false];
    const spares = Array.from({ length: printing.spares }, () => wanted[0]!);
    const [ground, ...others] = print.grounds;
    if (as === 'colours' && printing.film === 'white')
      notes.push(
        ground
          ? `${marking.title}: its film is printed in ${called(ground, inks)}, the colour that it lies on${others.length > 0 ? `; it lies on ${listed(others)} as well, and shows there` : ''}. Cut to the line.`
          : `${marking.title}: what it lies on is not known, and its film stays white. Cut to the line.`,
      );
    return [...wanted, ...spares].map((isMirrored, i) =>
      pieceFor(
        print,
        denominator,
        isMirrored !== printing.mirrored,
        i < wanted.length ? marking.title : `${marking.title}, spare`,
        as === 'white' ? null : inkOf,
      ),
    );
  });
  if (prints.some(({ printing }) => printing.mirrored) && as === 'colours')
    notes.push('What is a transfer is printed as in a mirror: it is laid face down.');
  if (unknown.size > 0) notes.push(`Printed grey, their colours being unknown: ${listed([...unknown])}.`);
  return { title: PRINT_TITLES[as], pieces, notes: [SAYS[as](pieces.length), ...notes] };
}

export const PRINT_TITLES: Readonly<Record<PrintAs, string>> = {
  colours: 'Decals to print',
  white: 'Decals to print: the white under them',
  faint: 'Faint prints to paint over',
};
const SAYS: Readonly<Record<PrintAs, (pieces: number) => string>> = {
  colours: (pieces) => `${counted(pieces, 'piece')} in true size. Print on paper first and measure the ruler.`,
  white: () => 'Printed first, in white, on the same sheet of film: its pieces lie where those of the colours lie.',
  faint: () => 'On clear film, sealed and placed like a decal; then painted over by hand, a colour after the other.',
};

/** White of a pass of its own goes under it. */
export const isOnPrintedWhite = ({ film, white }: Printing): boolean => film === 'clear' && white === 'printed';

const called = (code: string, { nameOf }: InkFacts): string => `${code} ${nameOf(code)}`.trim();

/** One print: its colours by `inkOf`, or where that is null the white under all of it, in black as a white pass takes it. */
function pieceFor(
  { marking, printing, pictureId, grounds }: ToPrint,
  denominator: number,
  isMirrored: boolean,
  label: string,
  inkOf: ((code: string) => string) | null,
): CutPiece {
  const size = marking.heightMm / denominator;
  const flip = isMirrored ? -1 : 1;
  const onSheet = (region: Region): Polygon[] =>
    turnedDown(region.map((ring) => ring.map(([x, y]): Point => [flip * x * size, y * size])));
  const { left, right, top, bottom } = extentOf(fieldsOf(marking).flatMap(({ region }) => onSheet(region)));
  const whole: Region = pictureId ? [rectangle(left, top, right, bottom)] : onSheet(silhouetteOf(marking));
  const isWhiteFilm = printing.film === 'white';
  const ground = grounds[0];
  // Film may be cut through the holes of letters; on white film each of them is cut along its line.
  const line = isWhiteFilm ? whole : grown(solid(whole), FILM_MM, 'sharp');
  const room = 1 + Math.max(FILM_MM, BLEED_MM);
  const moved = (ring: Polygon): Polygon => ring.map(([x, y]): Point => [x - left + room, y - top + room]);
  const background: Fill[] =
    isWhiteFilm && ground && inkOf ? [{ rings: grown(whole, BLEED_MM, 'sharp').map(moved), hex: inkOf(ground) }] : [];
  const colours: Fill[] = inkOf
    ? fieldsOf(marking).map(({ region, colour }) => ({
        rings: onSheet(region).map(moved),
        hex: inkOf(codeAt(marking.codes, colour)),
      }))
    : isOnPrintedWhite(printing)
      ? [{ rings: grown(whole, -CHOKE_MM, 'sharp').map(moved), hex: BLACK }]
      : [];
  const [width, height] = [right - left, bottom - top];
  return {
    label,
    width: width + 2 * room,
    height: height + 2 * room,
    cuts: line.map(moved),
    marks: [],
    fills: pictureId && inkOf ? background : [...background, ...colours],
    picture: pictureId && inkOf ? { id: pictureId, x: room, y: room, width, height, mirrored: isMirrored } : null,
  };
}
