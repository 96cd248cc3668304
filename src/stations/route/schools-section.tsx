'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import { compareSchools } from '@/actions/plan';
import type { ComparedSchool } from '@/core/brief/schools';
import type { RoutePage } from './page-data';

const SchoolTables = dynamic(() => import('./school-tables').then((module) => module.SchoolTables));

/** Where builders disagree: the choices of each school side by side, as schedules of this brief. */
export function SchoolsSection({ data }: { data: RoutePage }): ReactNode {
  const [schools, setSchools] = useState<ComparedSchool[] | null>(null);
  const [asking, setAsking] = useState(false);
  const compare = async () => {
    setAsking(true);
    const answer = await compareSchools({ briefId: data.briefId });
    setAsking(false);
    if (answer.ok) setSchools(answer.value);
  };
  return (
    <section aria-label="Schools">
      <h2>Schools</h2>
      <p className="pane-actions">
        <Button variant="outlined" disabled={asking} onClick={() => void compare()}>
          {schools ? 'Compare again' : 'Compare the schools'}
        </Button>
        <span className="dim">Where builders disagree: each way as a schedule of this brief, from now on.</span>
      </p>
      {asking && !schools ? <p role="status">Planning each way…</p> : null}
      {schools ? <SchoolTables data={data} schools={schools} onTaken={() => void compare()} /> : null}
    </section>
  );
}
