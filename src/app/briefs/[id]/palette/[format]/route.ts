import { notFound } from 'next/navigation';
import { makePdf } from '@/paper/thread';
import { identityOf } from '@/core/kept/state';
import { localDay } from '@/core/route/calendar';
import { labForWhite, labToHex } from '@/core/colour/spaces';
import { writeCgats } from '@/core/interchange/cgats';
import { withMark } from '@/core/interchange/decode';
import { adobeSwatches, colourTable, gimpPalette, type NamedColour } from '@/core/interchange/palettes';
import { coloursPage, type ColoursPage } from '@/stations/colours/page-data';
import { fullDay } from '@/ui/dates';
import { fileName } from '../../file-name';
import { briefView } from '../../view';

/** The brief's colours for other programs: the official ones, and after each what is chosen for it. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string; format: string }> }) {
  const { id, format } = await params;
  const { view, shelf, nowUtc } = await briefView(id);
  const data = coloursPage(view, shelf, '', nowUtc);
  const colours = namedColours(data);
  const name = fileName(view.state.airframe);
  const title = identityOf(view.state.airframe);
  const today = localDay(nowUtc, view.state.brief.timeZone);
  const file = (body: BodyInit, type: string, ending: string) =>
    new Response(body, {
      headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}-colours.${ending}"` },
    });
  switch (format) {
    case 'gimp':
      return file(gimpPalette(title, colours), 'text/plain; charset=utf-8', 'gpl');
    case 'swatches':
      return file(
        new Uint8Array(adobeSwatches(colours, (lab) => labForWhite(lab, 'D50'))),
        'application/octet-stream',
        'ase',
      );
    case 'csv':
      return file(withMark(colourTable(colours)), 'text/csv; charset=utf-8', 'csv');
    case 'cgats':
      return file(writeCgats(colours, today), 'text/plain; charset=utf-8', 'txt');
    case 'card': {
      const swatches = cardColours(data);
      const card = {
        title,
        subtitle: `${swatches.length} ${swatches.length === 1 ? 'colour' : 'colours'}: the official one left, what makes it right`,
        printedOn: fullDay(today),
        colours: swatches,
      };
      return file(await makePdf({ kind: 'colour card', data: card }, request.signal), 'application/pdf', 'pdf');
    }
    default:
      notFound();
  }
}

function namedColours({ calls }: ColoursPage): NamedColour[] {
  return calls.flatMap(({ code, name, lab, sd, chosen }): NamedColour[] => [
    ...(lab ? [{ name: `${code} ${name}`.trim(), lab, sd, origin: 'official' }] : []),
    ...(chosen?.paint.lab
      ? [
          {
            name: `${chosen.label} for ${code}`,
            lab: chosen.paint.lab,
            sd: chosen.paint.sd,
            origin: chosen.recipeId ? 'mixture' : 'paint',
          },
        ]
      : []),
  ]);
}

function cardColours({ calls }: ColoursPage) {
  return calls.flatMap(({ code, name, lab, sd, chosen }) => {
    if (!lab) return [];
    const { hex, inSrgb } = labToHex(lab);
    return [
      {
        code,
        name,
        hex,
        clipped: !inSrgb,
        values: `L* ${lab[0].toFixed(1)} a* ${lab[1].toFixed(1)} b* ${lab[2].toFixed(1)}, ± ${sd.toFixed(1)} dE00`,
        made: chosen ? `made from ${chosen.label}` : 'nothing is chosen yet',
        madeHex: chosen?.paint.lab ? labToHex(chosen.paint.lab).hex : null,
        difference: chosen ? `${chosen.says}${chosen.dE00 === null ? '' : `, dE00 ${chosen.dE00.toFixed(1)}`}` : '',
      },
    ];
  });
}
