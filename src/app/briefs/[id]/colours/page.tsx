import { coloursPage } from '@/stations/colours/page-data';
import { ColoursStation } from '@/stations/colours/colours-station';
import { briefView } from '../view';

export default async function ColoursPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { code } = await searchParams;
  const { view, shelf, revisions, nowUtc } = await briefView((await params).id);
  return (
    <ColoursStation
      data={coloursPage(view, shelf, String(revisions.shelf.number), nowUtc, typeof code === 'string' ? code : null)}
    />
  );
}
