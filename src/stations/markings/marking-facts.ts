import type { BriefView } from '@/core/brief/derive';
import type { Kept } from '@/core/brief/records';
import type { ColourShelf } from '@/core/brief/state';
import { checkSize, type SizeCheck } from '@/core/markings/size';
import type { OutlineSpec } from '@/core/outline/outline';
import { sheetFacts } from '@/sheet/figures';

export interface MarkingFacts {
  briefId: string;
  denominator: number;
  spec: OutlineSpec;
  markings: (Kept<'marking'> & { check: SizeCheck })[];
  zones: { value: string; label: string }[];
  codes: { value: string; label: string }[];
  inks: Record<string, string>;
  zoneColours: Record<string, string>;
}

export function markingFacts(view: BriefView, shelf: ColourShelf): MarkingFacts {
  const { brief, markings } = view.state;
  const { spec, inks, zones } = sheetFacts(view);
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
    zoneColours: Object.fromEntries(zones.flatMap((zone) => (zone.colour ? [[zone.key, zone.colour]] : []))),
  };
}
