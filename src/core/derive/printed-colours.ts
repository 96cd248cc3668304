import { deltaE00 } from '@/core/colour/difference';
import { ORIGIN_SD } from '@/core/colour/chips';
import type { Lab } from '@/core/colour/types';
import type { OfficialColour } from '@/core/codes/official';
import { canonicalIn, type CodeBook } from '@/core/codes/system';
import type { Kept } from '@/core/kept/records';
import { printedAgainst } from '@/core/markings/decal-spares';
import { paintInFull } from '@/core/paint/catalogue';
import type { CallView } from './called';

/** A decal whose print was measured, against the colour that is called. */
export interface PrintedColour {
  marking: string;
  title: string;
  /** The colour of the marking that the print comes nearest to. */
  code: string;
  dE00: number;
  says: string;
  /** The paint that is chosen for the colour, to touch it up with; null while none is. */
  touchUp: string | null;
}

type FromSheet = Pick<Kept<'marking'>, 'id' | 'title' | 'codes' | 'sheetId' | 'sheetItem' | 'byPrint'>;

/** The measured print of a marking, and the sheet that it is on. */
function printOf({ sheetId, sheetItem }: FromSheet, sheets: readonly Kept<'decal_sheet'>[]) {
  const sheet = sheets.find(({ id }) => id === sheetId);
  const lab = sheet?.items.find(({ key }) => key === sheetItem)?.lab;
  return sheet && lab ? { lab, sheet: sheet.title } : null;
}

/** Of the codes that a marking has, the one whose colour its print comes nearest to; the only one, whatever is known of it. */
function printedIn(lab: Lab, codes: readonly string[], labOf: (code: string) => Lab | null): string | null {
  if (codes.length === 1) return codes[0]!;
  const known = codes.flatMap((code) => {
    const called = labOf(code);
    return called ? [{ code, off: deltaE00(lab, called) }] : [];
  });
  return known.sort((a, b) => a.off - b.off)[0]?.code ?? null;
}

/**
 * The official colours, those that are matched to a print having its colour: where the marking says so, and where nothing else is known of the
 * code. Of several markings the first that says so counts.
 */
export function matchedToPrints(
  official: ReadonlyMap<string, OfficialColour>,
  markings: readonly FromSheet[],
  sheets: readonly Kept<'decal_sheet'>[],
  book: CodeBook,
): ReadonlyMap<string, OfficialColour> {
  const matched = new Map<string, OfficialColour>();
  const inTurn = [...markings.filter(({ byPrint }) => byPrint), ...markings.filter(({ byPrint }) => !byPrint)];
  for (const marking of inTurn) {
    const print = printOf(marking, sheets);
    if (!print) continue;
    const codes = marking.codes.map((value) => canonicalIn(book, value));
    const code = printedIn(print.lab, codes, (each) => official.get(each)?.lab ?? null);
    const colour = code === null ? undefined : official.get(code);
    if (!colour || matched.has(code!) || !(marking.byPrint || colour.lab === null)) continue;
    const { sd } = ORIGIN_SD.measured;
    matched.set(code!, { ...colour, lab: print.lab, sd, print: { marking: marking.title, sheet: print.sheet } });
  }
  return matched.size === 0 ? official : new Map([...official, ...matched]);
}

/** Every marking from a sheet whose print was measured; a print of several colours is held against the nearest. */
export function printedColours(
  markings: readonly FromSheet[],
  sheets: readonly Kept<'decal_sheet'>[],
  calls: readonly Pick<CallView, 'code' | 'choice' | 'official'>[],
): PrintedColour[] {
  const byCode = new Map(calls.map((call) => [call.code, call]));
  return markings.flatMap((marking): PrintedColour[] => {
    const print = printOf(marking, sheets);
    if (!print) return [];
    const code = printedIn(print.lab, marking.codes, (each) => byCode.get(each)?.official?.lab ?? null);
    const call = code === null ? undefined : byCode.get(code);
    if (!call?.official?.lab) return [];
    return [
      {
        marking: marking.id,
        title: marking.title,
        code: call.code,
        ...(call.official.print
          ? { dE00: 0, says: `what the paint of ${call.code} is matched to` }
          : printedAgainst(print.lab, call.official.lab)),
        touchUp: call.choice ? paintInFull(call.choice.paint) : null,
      },
    ];
  });
}
