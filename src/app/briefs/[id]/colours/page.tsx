import { ColoursStation } from '@/stations/colours/colours-station';
import { PAGES } from '../pages';
import { briefView } from '../view';

export default async function ColoursPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { code } = await searchParams;
  const search = new URLSearchParams(typeof code === 'string' ? { code } : {});
  return <ColoursStation data={PAGES.colours(await briefView((await params).id), search)} />;
}
