import { checkSize } from '@/core/markings/size';
import { sheetFacts } from '@/sheet/figures';
import { MarkingsStation } from '@/stations/markings/markings-station';
import { briefView } from '../view';

export default async function MarkingsPage({ params }: { params: Promise<{ id: string }> }) {
  const { view, shelf } = await briefView((await params).id);
  const { brief, markings } = view.state;
  const sheet = sheetFacts(view, shelf);
  return (
    <MarkingsStation
      facts={{
        briefId: brief.id,
        denominator: brief.denominator,
        spec: sheet.spec,
        markings: markings.map((marking) => ({
          ...marking,
          check: checkSize(marking.heightMm, brief.denominator, marking.printedMm),
        })),
        zones: view.outline.zones.map((zone) => ({ value: zone.key, label: zone.title })),
        codes: shelf.codes.map((code) => ({ value: code.code, label: `${code.code} ${code.name}` })),
        inks: sheet.inks,
        zoneColours: Object.fromEntries(sheet.zones.flatMap((zone) => (zone.colour ? [[zone.key, zone.colour]] : []))),
      }}
    />
  );
}
