import { readdir } from 'node:fs/promises';
import path from 'node:path';

const ROOT = path.join(process.cwd(), '.next', 'static');
const KEPT = /\.(js|css|woff2)$/;

/** The application's own files, for a device that keeps them for an evening without the server. */
export async function GET(): Promise<Response> {
  const found = await readdir(ROOT, { recursive: true, withFileTypes: true }).catch(() => []);
  const files = found.flatMap((file) =>
    file.isFile() && KEPT.test(file.name)
      ? [`/_next/static/${path.relative(ROOT, path.join(file.parentPath, file.name)).split(path.sep).join('/')}`]
      : [],
  );
  return Response.json(files.sort());
}
