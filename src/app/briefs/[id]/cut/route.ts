import { z } from 'zod';
import { cutSheetSvg } from '@/core/interchange/cut-sheet-svg';
import { PAPERS, type PaperSize } from '@/paper/cut-sheet-pdf';
import { cutSheets } from '@/core/workshop/cut-sheets';
import { makePdf } from '@/paper/thread';
import { fileName } from '../file-name';
import { svgFile } from '../svg-file';
import { briefView } from '../view';

const asked = z.object({
  sheet: z.array(z.string().max(80)).min(1, 'no sheet was asked for').max(60, 'at most 60 sheets at once'),
  as: z.enum(['svg', 'pdf']),
  paper: z.enum(Object.keys(PAPERS) as [PaperSize, ...PaperSize[]]),
});

/** Sheets to cut: one as SVG, or any of them as PDF over A4 or Letter. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const wanted = asked.safeParse({
    sheet: searchParams.getAll('sheet'),
    as: searchParams.get('as') ?? 'svg',
    paper: searchParams.get('paper') ?? 'A4',
  });
  if (!wanted.success) return new Response(wanted.error.issues[0]!.message, { status: 400 });
  const { sheet, as, paper } = wanted.data;
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
  const bytes = await makePdf({ kind: 'cut sheets', data: { title: name, size: paper, sheets } }, request.signal);
  return new Response(bytes, {
    headers: { 'content-type': 'application/pdf', 'content-disposition': `attachment; filename="${name}.pdf"` },
  });
}
