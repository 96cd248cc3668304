import { ColoursStation } from '@/stations/colours/colours-station';
import { sentPage } from '../pages';
import { briefView } from '../view';

export default async function ColoursPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { code } = await searchParams;
  return (
    <ColoursStation
      page={sentPage('colours', await briefView((await params).id), typeof code === 'string' ? code : null)}
    />
  );
}
