import { canonicalIn, type CodeBook } from '@/core/codes/system';
import type { BriefState } from '@/core/kept/state';
import { schemeOn } from '@/core/markings/placing';
import type { Outline } from '@/core/outline/outline';
import { areasByColour, cellsOf } from '@/core/scheme/cells';

/** Which colour is worn where, once the scheme lies over the zones' own colours. */
export interface Worn {
  code: string;
  /** Zones on which it shows on more than a trace. */
  zones: string[];
  /** Skin on the real machine, m2. */
  areaM2: number;
}

/** Less of a zone than this is no work of its own. */
const TRACE = 0.01;

/**
 * Colours with the zones that wear them and how much skin that is. `ruled` is the colour of each zone by itself; without fields it is the
 * answer, and nothing has to be cut.
 */
export function wornColours(
  { fields, markings }: Pick<BriefState, 'fields' | 'markings'>,
  outline: Outline,
  ruled: ReadonlyMap<string, string>,
  book: CodeBook,
): Worn[] {
  const areas = new Map(outline.zones.map(({ key, areaM2 }) => [key, areaM2]));
  const baseOf = (zone: string) => ruled.get(zone) ?? null;
  const worn =
    fields.length === 0
      ? [...ruled].map(([zone, code]) => ({ zone, code, areaM2: areas.get(zone) ?? 0 }))
      : areasByColour(
          outline,
          baseOf,
          cellsOf(
            outline,
            baseOf,
            schemeOn(
              outline,
              fields.map((field) => ({ ...field, code: canonicalIn(book, field.code) })),
              markings,
            ),
          ),
        );
  const byCode = new Map<string, Worn>();
  for (const { zone, code, areaM2 } of worn) {
    if (code === null) continue;
    const known = byCode.get(code) ?? { code, zones: [], areaM2: 0 };
    // A ruled colour is worn by its zone even where the scheme leaves no trace of it: that is named as a contradiction.
    if (areaM2 > (areas.get(zone) ?? 0) * TRACE || ruled.get(zone) === code) known.zones.push(zone);
    known.areaM2 += areaM2;
    byCode.set(code, known);
  }
  for (const [zone, code] of ruled) {
    const known = byCode.get(code);
    if (!known) byCode.set(code, { code, zones: [zone], areaM2: 0 });
    else if (!known.zones.includes(zone)) known.zones.push(zone);
  }
  return [...byCode.values()].filter(({ zones }) => zones.length > 0);
}
