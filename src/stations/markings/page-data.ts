import type { BriefView } from '@/core/brief/derive';
import { MARKING_ASPECTS } from '@/core/evidence/aspects';
import type { Kept } from '@/core/kept/records';
import type { ColourShelf } from '@/core/kept/state';
import { checkSize, type SizeCheck } from '@/core/markings/size';
import type { OutlineSpec } from '@/core/outline/outline';
import { sheetData } from '@/sheet/sheet-data';

export interface MarkingsPage {
  briefId: string;
  denominator: number;
  spec: OutlineSpec;
  markings: (Kept<'marking'> & { check: SizeCheck })[];
  zones: { value: string; label: string }[];
  codes: { value: string; label: string }[];
  inks: Record<string, string>;
  zoneColours: Record<string, string>;
  /** Questions about markings that are open at Evidence. */
  openQuestions: number;
}

export function markingsPage(view: BriefView, shelf: ColourShelf): MarkingsPage {
  const { brief, markings } = view.state;
  const { spec, inks, zones } = sheetData(view);
  return {
    briefId: brief.id,
    denominator: brief.denominator,
    spec,
    markings: markings.map((marking) => ({
      ...marking,
      check: checkSize(marking.heightMm, brief.denominator, marking.printedMm),
    })),
    zones: view.outline.zones.map((zone) => ({ value: zone.key, label: zone.title })),
    codes: shelf.codes.map((code) => ({ value: code.code, label: `${code.code} ${code.name}` })),
    inks,
    openQuestions: view.open.filter(({ aspect }) => MARKING_ASPECTS.has(aspect)).length,
    zoneColours: Object.fromEntries(zones.flatMap((zone) => (zone.colour ? [[zone.key, zone.colour]] : []))),
  };
}
