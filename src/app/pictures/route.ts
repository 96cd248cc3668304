import { bodyOf, MB, TooMuch } from '@/app/files/body';
import { keepPicture, MOST_PICTURE_BYTES, PictureFault } from '@/data/pictures';

const refused = (says: string, status = 422) => Response.json({ says }, { status });
/** What a form adds around its file. */
const AROUND = 16 * 1024;

/** Takes one picture (multipart field `picture`); answers with its id, or with what is wrong with it. */
export async function POST(request: Request): Promise<Response> {
  let file: FormDataEntryValue | null;
  try {
    const body = await bodyOf(request, MOST_PICTURE_BYTES + AROUND);
    const type = request.headers.get('content-type') ?? '';
    file = (await new Response(new Uint8Array(body), { headers: { 'content-type': type } }).formData()).get('picture');
  } catch (error) {
    if (error instanceof TooMuch) return refused(`the file has more than ${MOST_PICTURE_BYTES / MB} MB`, 413);
    return refused('no file came with the request', 400);
  }
  if (!(file instanceof File)) return refused('no file came with the request', 400);
  try {
    return Response.json(await keepPicture(Buffer.from(await file.arrayBuffer())));
  } catch (error) {
    if (error instanceof PictureFault) return refused(error.message);
    throw error;
  }
}
