import Link from 'next/link';
import { newBrief } from '@/core/kept/new-brief';
import { SetupForm } from '@/stations/setup/setup-form';

export const dynamic = 'force-dynamic';

export default function NewBriefPage() {
  return (
    <>
      <header className="head">
        <div className="head-title">
          <Link href="/" className="head-home" aria-label="All briefs">
            ≡
          </Link>
          <strong>Build Brief</strong>
          <span>New brief</span>
        </div>
      </header>
      <main className="station">
        <h1>Which machine, from which kit?</h1>
        <p className="station-now">The outline begins from a preset; every dimension can be changed later.</p>
        <SetupForm {...newBrief(new Date().toISOString().slice(0, 10))} />
      </main>
    </>
  );
}
