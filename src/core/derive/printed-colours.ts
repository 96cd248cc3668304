import { deltaE00 } from '@/core/colour/difference';
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

/** Every marking from a sheet whose print was measured; a print of several colours is held against the nearest. */
export function printedColours(
  markings: readonly Pick<Kept<'marking'>, 'id' | 'title' | 'codes' | 'sheetId' | 'sheetItem'>[],
  sheets: readonly Kept<'decal_sheet'>[],
  calls: readonly Pick<CallView, 'code' | 'choice' | 'official'>[],
): PrintedColour[] {
  return markings.flatMap((marking): PrintedColour[] => {
    const lab = sheets
      .find(({ id }) => id === marking.sheetId)
      ?.items.find(({ key }) => key === marking.sheetItem)?.lab;
    if (!lab) return [];
    const nearest = calls
      .flatMap((call) =>
        marking.codes.includes(call.code) && call.official?.lab
          ? [{ call, called: call.official.lab, off: deltaE00(lab, call.official.lab) }]
          : [],
      )
      .sort((a, b) => a.off - b.off)[0];
    if (!nearest) return [];
    const { call, called } = nearest;
    return [
      {
        marking: marking.id,
        title: marking.title,
        code: call.code,
        ...printedAgainst(lab, called),
        touchUp: call.choice ? paintInFull(call.choice.paint) : null,
      },
    ];
  });
}
