import { printPath } from '@/core/interchange/contracts/contract';
import { briefFileSchema } from '@/core/interchange/brief-file';
import { importBrief } from '@/data/brief-files';
import { PictureFault } from '@/data/pictures';

const MOST_BYTES = 200 * 1024 * 1024;
const MOST_FAULTS = 12;
const refused = (faults: string[], status = 422) => Response.json({ faults }, { status });

/** Makes a new brief of a `build-brief/1` file in the body; all of it or nothing. */
export async function POST(request: Request): Promise<Response> {
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES)
    return refused(['the file has more than 200 MB'], 413);
  let raw: unknown;
  try {
    raw = JSON.parse(await request.text());
  } catch {
    return refused(['the file is not JSON'], 400);
  }
  const parsed = briefFileSchema.safeParse(raw);
  if (!parsed.success) {
    const faults = parsed.error.issues.map((issue) => `${printPath(issue.path)}: ${issue.message}`);
    return refused(
      faults.length > MOST_FAULTS
        ? [...faults.slice(0, MOST_FAULTS), `and ${faults.length - MOST_FAULTS} more`]
        : faults,
    );
  }
  try {
    return Response.json({ id: await importBrief(parsed.data) });
  } catch (error) {
    if (error instanceof PictureFault) return refused([error.message]);
    throw error;
  }
}
