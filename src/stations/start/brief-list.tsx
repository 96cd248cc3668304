'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { briefTitle, typeOf } from '@/core/kept/state';
import { counted } from '@/core/units/words';
import type { ShownUnits } from '@/core/units/shown';
import { windowInWords } from '@/ui/dates';
import { useKey } from '@/ui/keys';
import { SavingProvider } from '@/ui/saving';
import { BriefKeeping, BriefName, type ListedBrief } from './brief-keeping';
import { DemoStarts } from './demo-starts';
import { ImportBrief } from './import-brief';
import { UnitsChoice } from './units-choice';
import './start.css';

/** All briefs of the house: which machine, how far, what is open. */
export function BriefList(props: { briefs: ListedBrief[]; removed: number; units: ShownUnits }): ReactNode {
  return (
    <SavingProvider>
      <List {...props} />
    </SavingProvider>
  );
}

function List({ briefs, removed, units }: { briefs: ListedBrief[]; removed: number; units: ShownUnits }): ReactNode {
  const router = useRouter();
  /** The brief that is being given a name. */
  const [naming, setNaming] = useState<string | null>(null);
  useKey('n', () => router.push('/new'));
  return (
    <main className="home">
      <div className="station-head">
        <div>
          <h1>Which build?</h1>
          <p className="station-now">
            {briefs.length === 0
              ? 'Begin with the machine you want to build.'
              : `${counted(briefs.length, 'brief')} in this house.`}
          </p>
        </div>
        <Button variant="contained" component={Link} href="/new">
          New brief (n)
        </Button>
      </div>
      {briefs.length === 0 ? (
        <div className="empty">
          <strong>Nothing here yet.</strong> A brief is one build: one airframe on one day, one kit, and everything
          known and decided about it. Begin your own, import one from its file, or look at the demo.
        </div>
      ) : (
        <div className="scroll-x">
          <table className="plain">
            <thead>
              <tr>
                <th>Airframe</th>
                <th>Type</th>
                <th>Depicts</th>
                <th>Kit</th>
                <th className="num">Still open</th>
                <th className="num">Steps done</th>
                <th>
                  <span className="visually-hidden">What can be done with it</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {briefs.map((brief) => (
                <tr key={brief.id}>
                  <th scope="row">
                    {naming === brief.id ? (
                      <BriefName brief={brief} onDone={() => setNaming(null)} />
                    ) : (
                      <Link href={`/briefs/${brief.id}/evidence`} className="code">
                        {briefTitle(brief.title, brief.airframe)}
                      </Link>
                    )}
                  </th>
                  <td>{typeOf(brief.airframe)}</td>
                  <td>{windowInWords(brief.airframe.targetFrom, brief.airframe.targetTo)}</td>
                  <td>
                    {brief.kit || '–'}, 1/{brief.denominator}
                  </td>
                  <td className="num">{brief.open}</td>
                  <td className="num">{brief.stepsDone}</td>
                  <td className="row-actions">
                    <BriefKeeping brief={brief} onName={() => setNaming(brief.id)} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <div className="home-actions">
        <ImportBrief />
        <DemoStarts empty={briefs.length === 0 && removed === 0} />
        {removed > 0 ? (
          <Button variant="outlined" component={Link} href="/removed">
            {counted(removed, 'removed brief')}
          </Button>
        ) : null}
      </div>
      <UnitsChoice units={units} />
    </main>
  );
}
