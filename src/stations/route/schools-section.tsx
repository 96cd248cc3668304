'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { compareSchools } from '@/actions/plan';
import type { ComparedSchool } from '@/core/workshop/schools';
import type { RoutePage } from './page-data';

const SchoolTables = dynamic(() => import('./school-tables').then((module) => module.SchoolTables));

/** Where builders disagree: the choices of each school side by side, as schedules of this brief. */
export function SchoolsSection({ data }: { data: RoutePage }): ReactNode {
  const [compared, setCompared] = useState<{ of: number; schools: ComparedSchool[] } | null>(null);
  const [asking, setAsking] = useState(false);
  const { briefId, briefVersion } = data;
  const compare = useCallback(async () => {
    setAsking(true);
    const answer = await compareSchools({ briefId });
    setAsking(false);
    if (answer.ok) setCompared({ of: briefVersion, schools: answer.value });
  }, [briefId, briefVersion]);
  // Once a way is taken, or taken back, the others are held against another one.
  const isOld = compared !== null && compared.of !== briefVersion;
  useEffect(() => {
    if (!isOld) return;
    const soon = setTimeout(() => void compare(), 0);
    return () => clearTimeout(soon);
  }, [isOld, compare]);
  return (
    <section aria-label="Schools">
      <h2>Schools</h2>
      <p className="pane-actions">
        <Button variant="outlined" disabled={asking} onClick={() => void compare()}>
          {compared ? 'Compare again' : 'Compare the schools'}
        </Button>
        <span className="dim">Where builders disagree: each way as a schedule of this brief, from now on.</span>
      </p>
      {asking && !compared ? <p role="status">Planning each way…</p> : null}
      {compared ? <SchoolTables data={data} schools={compared.schools} /> : null}
    </section>
  );
}
