import { readPicture } from '@/data/pictures';

export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const size = new URL(request.url).searchParams.get('size') === 'thumbnail' ? 'thumbnail' : 'full';
  const picture = await readPicture((await params).id, size);
  if (!picture) return new Response('No such picture.\n', { status: 404 });
  // A picture is named by its content: it can be kept for ever.
  return new Response(new Uint8Array(picture.bytes), {
    headers: { 'content-type': picture.mediaType, 'cache-control': 'private, max-age=31536000, immutable' },
  });
}
