import type { BriefView } from '@/core/derive/derive';
import { schemeSvg } from '@/core/interchange/scheme-svg';
import { sheetData } from '@/sheet/sheet-data';

/** All views of a brief with its scheme and markings, as SVG in true mm. */
export function schemeOf(view: BriefView): string {
  const { inks, zones, fields, markings, denominator } = sheetData(view);
  return schemeSvg({
    outline: view.outline,
    denominator,
    fields,
    markings,
    inks,
    zoneColours: Object.fromEntries(zones.flatMap(({ key, colour }) => (colour ? [[key, colour]] : []))),
  });
}
