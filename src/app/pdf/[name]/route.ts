import { readFile } from 'node:fs/promises';
import path from 'node:path';

/** What the reader of PDF files fetches for pages that are scans in JPEG 2000. */
const FILES: ReadonlySet<string> = new Set(['openjpeg_nowasm_fallback.js']);

export async function GET(_request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  if (!FILES.has(name)) return new Response('No such file.\n', { status: 404 });
  const file = path.join(process.cwd(), 'node_modules', 'pdfjs-dist', 'wasm', name);
  return new Response(new Uint8Array(await readFile(file)), {
    headers: { 'content-type': 'text/javascript', 'cache-control': 'private, max-age=86400' },
  });
}
