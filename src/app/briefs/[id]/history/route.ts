import { briefView } from '../view';

/** What decides the colour of each zone on any day, for the timeline. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { view } = await briefView((await params).id);
  return Response.json(view.colourHistory, { headers: { 'cache-control': 'private, no-cache' } });
}
