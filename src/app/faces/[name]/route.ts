import { readFile } from 'node:fs/promises';
import { FONT_FILES } from '@/paper/font-files';

/** A font that the application ships, as a face of lettering. */
export async function GET(_request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  if (!Object.hasOwn(FONT_FILES, name)) return new Response('No such face.\n', { status: 404 });
  return new Response(new Uint8Array(await readFile(FONT_FILES[name as keyof typeof FONT_FILES])), {
    headers: { 'content-type': 'font/ttf', 'cache-control': 'private, max-age=86400' },
  });
}
