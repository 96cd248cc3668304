import { SetupForm } from '@/stations/setup/setup-form';
import { pageOf } from '../pages';
import { briefView } from '../view';

export default async function SetupPage({ params }: { params: Promise<{ id: string }> }) {
  return (
    <main className="station" id="station">
      <h1>Which machine, from which kit?</h1>
      <p className="station-now">What changes here changes the sheet, the areas and the route.</p>
      <SetupForm {...pageOf('setup', await briefView((await params).id))} />
    </main>
  );
}
