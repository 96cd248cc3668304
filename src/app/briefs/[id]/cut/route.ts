import { z } from 'zod';
import { cutSheetSvg } from '@/core/interchange/cut-sheet-svg';
import { PAPERS, type PaperSize } from '@/paper/cut-sheet-pdf';
import { cutSheets } from '@/core/workshop/cut-sheets';
import { dotsOf, MOST_DOTS, RESOLUTIONS } from '@/core/markings/dots';
import { pictureForPrint } from '@/data/pictures';
import { makePdf } from '@/paper/thread';
import { fileName } from '../file-name';
import { svgFile } from '../svg-file';
import { briefView } from '../view';

const asked = z.object({
  sheet: z.array(z.string().max(80)).min(1, 'no sheet was asked for').max(60, 'at most 60 sheets at once'),
  as: z.enum(['svg', 'pdf', 'png']),
  dots: z.coerce.number().pipe(z.literal(RESOLUTIONS)),
  paper: z.enum(Object.keys(PAPERS) as [PaperSize, ...PaperSize[]]),
});

/** Sheets to cut or to print: one as SVG or in dots, or any of them as PDF over A4 or Letter. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const wanted = asked.safeParse({
    sheet: searchParams.getAll('sheet'),
    as: searchParams.get('as') ?? 'svg',
    paper: searchParams.get('paper') ?? 'A4',
    dots: searchParams.get('dots') ?? '600',
  });
  if (!wanted.success) return new Response(wanted.error.issues[0]!.message, { status: 400 });
  const { sheet, as, paper, dots } = wanted.data;
  const { view } = await briefView((await params).id);
  const sheets = cutSheets(view, sheet);
  if (sheets.length === 0)
    return new Response(
      'There is nothing to cut on this sheet: give the marking a shape and the field a place on the machine.',
      {
        status: 404,
      },
    );
  const name = `${fileName(view.state.airframe)} ${sheets.length === 1 ? sheets[0]!.title.toLowerCase().replace(/[^a-z0-9 ]/g, '') : 'sheets to cut'}`;
  if (as === 'svg') return svgFile(name, cutSheetSvg(sheets[0]!));
  const pictures: Record<string, Uint8Array> = {};
  for (const id of new Set(sheets.flatMap((one) => one.pictures.map((placed) => placed.id)))) {
    const picture = await pictureForPrint(id);
    if (picture) pictures[id] = picture;
  }
  if (as === 'png') {
    const data = { sheet: sheets[0]!, dotsPerInch: dots };
    const { across, down } = dotsOf(data);
    if (across * down > MOST_DOTS)
      return new Response('The sheet is too large for so many dots: take fewer, or the PDF.', { status: 413 });
    return asFile(await makePdf({ kind: 'sheet in dots', data, pictures }, request.signal), name, 'image/png', 'png');
  }
  const data = { title: name, size: paper, sheets };
  return asFile(await makePdf({ kind: 'cut sheets', data, pictures }, request.signal), name, 'application/pdf', 'pdf');
}

const asFile = (bytes: ReadableStream<Uint8Array>, name: string, type: string, ending: string): Response =>
  new Response(bytes, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}.${ending}"` },
  });
