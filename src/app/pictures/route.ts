import { Readable } from 'node:stream';
import { setTimeout } from 'node:timers/promises';
import { fileOfForm, MB, TooMuch, type FormFile } from '@/app/files/body';
import { keepPictureFile, MOST_PICTURE_BYTES, PictureFault, picturesBefore, TooManyPictures } from '@/data/pictures';

const refused = (says: string, status = 422) => Response.json({ says }, { status });

/** Takes one picture (multipart field `picture`); answers with its id, or with what is wrong with it. */
export async function POST(request: Request): Promise<Response> {
  let came: FormFile | null;
  try {
    came = await fileOfForm(request, 'picture', MOST_PICTURE_BYTES);
  } catch (error) {
    if (error instanceof TooMuch) return refused(`the file has more than ${MOST_PICTURE_BYTES / MB} MB`, 413);
    throw error;
  }
  if (!came) return refused('no file came with the request', 400);
  return request.headers.get('accept')?.includes(AS_IT_GOES) ? toldAsItGoes(came) : answered(await kept(came));
}

/** How a reader asks to hear how many pictures come before his: lines of JSON, the last of which is the answer. */
const AS_IT_GOES = 'application/x-ndjson';
const AGAIN_MS = 700;

type Kept = { status: number; body: object };

async function kept(came: FormFile): Promise<Kept> {
  try {
    return { status: 200, body: await keepPictureFile(came) };
  } catch (error) {
    if (error instanceof PictureFault) return { status: 422, body: { says: error.message } };
    if (error instanceof TooManyPictures) return { status: 429, body: { says: error.message } };
    throw error;
  } finally {
    await came.letGo();
  }
}

const answered = ({ status, body }: Kept): Response =>
  Response.json(body, { status, headers: status === 429 ? { 'retry-after': '5' } : {} });

/** Says every moment how many pictures come before this one, until it is kept. Who leaves hears no more; his picture is kept all the same. */
function toldAsItGoes(came: FormFile): Response {
  let before = picturesBefore();
  // Begun whether or not anybody hears of it.
  const done = kept(came).catch((error: unknown) => {
    console.error(error);
    return { status: 500, body: { says: 'the server could not take it; try again' } };
  });
  async function* lines() {
    const line = (value: object) => Buffer.from(`${JSON.stringify(value)}\n`);
    yield line({ before });
    for (;;) {
      const answer = await Promise.race([done, setTimeout(AGAIN_MS, null, { ref: false })]);
      if (answer) {
        yield line({ status: answer.status, ...answer.body });
        return;
      }
      // Those that came later do not come before it.
      before = Math.min(before, Math.max(0, picturesBefore() - 1));
      yield line({ before });
    }
  }
  return new Response(Readable.toWeb(Readable.from(lines())) as ReadableStream<Uint8Array>, {
    headers: { 'content-type': AS_IT_GOES, 'cache-control': 'no-store' },
  });
}
