'use client';

import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import { durationInWords } from '@/core/units/minutes';
import { counted, countedInWords, plural } from '@/core/units/words';
import { PaneBar, usePane } from '@/stations/shell/pane-bar';
import { StationFrame } from '@/stations/shell/station-frame';
import css from './log.module.css';
import type { LogPage } from './page-data';
import { RecordPane } from './record-pane';
import type { Sent } from '@/stations/shell/current-page';
import { useCurrent } from '@/stations/shell/use-current';

const MadePane = dynamic(() => import('./made-pane').then((module) => module.MadePane));
const MishapPane = dynamic(() => import('./mishap-pane').then((module) => module.MishapPane));
const LearnedPane = dynamic(() => import('./learned-pane').then((module) => module.LearnedPane));
const ActList = dynamic(() => import('@/stations/shell/act-list').then((module) => module.ActList));

/** What was done, how each zone was made, what went wrong, and what it all teaches. */
export function LogStation({ page }: { page: Sent<LogPage> }): ReactNode {
  const data = useCurrent(page);
  const panes = [
    ['record', `Record (${data.first.total})`],
    ['made', 'How it was made'],
    ['mishaps', `Mishaps (${data.mishaps})`],
    ['learned', 'What it teaches'],
    ['changes', 'All changes'],
  ] as const;
  const pane = usePane(panes);
  return (
    <StationFrame station="log" styles={css.log} now={whatMatters(data)}>
      <PaneBar path={`/briefs/${data.briefId}/log`} panes={panes} chosen={pane} />
      {pane === 'record' ? <RecordPane data={data} /> : null}
      {pane === 'made' ? <MadePane data={data} /> : null}
      {pane === 'mishaps' ? <MishapPane data={data} /> : null}
      {pane === 'learned' ? <LearnedPane data={data} /> : null}
      {pane === 'changes' ? <ActList briefId={data.briefId} /> : null}
    </StationFrame>
  );
}

function whatMatters({ done, open, all, slowest }: LogPage): string {
  if (done === 0) return 'The record begins with the first step done.';
  const factor =
    all.factor === null
      ? ''
      : ` It took ${all.factor.toFixed(2)} × the planned time${slowest && slowest.factor! > all.factor ? `, most of all ${slowest.lane.toLowerCase()} (${slowest.factor!.toFixed(2)} ×)` : ''}.`;
  const back = open > 0 ? ` ${countedInWords(open, 'step')} ${plural('is', open)} to be done again.` : '';
  return `${counted(done, 'step')} done in ${durationInWords(all.actual)}.${back}${factor}`;
}
