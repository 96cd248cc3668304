import { exportBrief } from '@/data/brief-files';
import { fileName } from '../file-name';

export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const file = await exportBrief((await params).id);
  if (!file) return new Response('No such brief.\n', { status: 404 });
  return new Response(`${JSON.stringify(file, null, 1)}\n`, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${fileName(file.airframe)}.json"`,
    },
  });
}
