import { SetupForm } from '@/stations/setup/setup-form';
import { briefView } from '../view';

export default async function SetupPage({ params }: { params: Promise<{ id: string }> }) {
  const { view } = await briefView((await params).id);
  return (
    <main className="station" id="station">
      <h1>Which machine, from which kit?</h1>
      <p className="station-now">What changes here changes the sheet, the areas and the route.</p>
      <SetupForm brief={view.state.brief} airframe={view.state.airframe} sessions={view.state.sessions} />
    </main>
  );
}
