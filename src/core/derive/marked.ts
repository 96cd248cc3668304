import { canonicalIn, type CodeBook } from '@/core/codes/system';
import type { BriefState } from '@/core/kept/state';
import { FROM_A_SHEET, PRINTED, type MarkingMethod } from '@/core/markings/kinds';
import { zonesOfMarking } from '@/core/markings/on-zones';
import { paintedSize } from '@/core/markings/painted-size';
import type { Outline } from '@/core/outline/outline';

/** What a code is for on one marking that is made here: masked, brushed, penned or printed. */
export interface MarkedCall {
  id: string;
  title: string;
  method: MarkingMethod;
  /** The zones that the marking lies on. */
  zones: string[];
  /** Of this colour at all of its places, cm2 on the model. */
  areaCm2: number;
}

/** Whether a colour of it comes out of a bottle. */
export const takesPaint = ({ method }: Pick<MarkedCall, 'method'>): boolean => !PRINTED.has(method) && method !== 'pen';

/** The colours of all markings that are made here, by code; what comes from a sheet has its colours already. */
export function markedColours(
  { markings, brief }: Pick<BriefState, 'markings' | 'brief'>,
  outline: Outline,
  book: CodeBook,
): Map<string, MarkedCall[]> {
  const byCode = new Map<string, MarkedCall[]>();
  for (const marking of markings) {
    if (FROM_A_SHEET.has(marking.method)) continue;
    const { id, title, method } = marking;
    const zones = zonesOfMarking(outline, marking);
    const { ofCodes } = paintedSize(outline, marking, brief.denominator);
    marking.codes.forEach((value, i) => {
      const code = canonicalIn(book, value);
      const known = byCode.get(code) ?? [];
      const same = known.find((one) => one.id === id);
      if (same) same.areaCm2 += ofCodes[i]!.areaCm2;
      else byCode.set(code, [...known, { id, title, method, zones, areaCm2: ofCodes[i]!.areaCm2 }]);
    });
  }
  return byCode;
}
