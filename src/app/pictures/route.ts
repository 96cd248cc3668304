import { keepPicture, MOST_PICTURE_BYTES, PictureFault } from '@/data/pictures';

const refused = (says: string, status = 422) => Response.json({ says }, { status });

/** Takes one picture (multipart field `picture`); answers with its id, or with what is wrong with it. */
export async function POST(request: Request): Promise<Response> {
  if (Number(request.headers.get('content-length') ?? 0) > MOST_PICTURE_BYTES + 10_000)
    return refused('the file has more than 15 MB', 413);
  let file: FormDataEntryValue | null;
  try {
    file = (await request.formData()).get('picture');
  } catch {
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
