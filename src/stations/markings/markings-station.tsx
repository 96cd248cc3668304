'use client';

import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import { PaneBar, usePane } from '@/stations/shell/pane-bar';
import { StationFrame } from '@/stations/shell/station-frame';
import { counted, countedInWords, plural } from '@/core/units/words';
import { MarkingList } from './marking-list';
import css from './markings.module.css';
import type { MarkingsPage } from './page-data';
import type { Sent } from '@/stations/shell/current-page';
import { useCurrent } from '@/stations/shell/use-current';

const SchemePane = dynamic(() => import('./scheme-pane').then((module) => module.SchemePane));
const MasksPane = dynamic(() => import('./masks-pane').then((module) => module.MasksPane));
const OutlinePane = dynamic(() => import('./outline-pane').then((module) => module.OutlinePane));
const DecalsPane = dynamic(() => import('./decals-pane').then((module) => module.DecalsPane));
const SheetsPane = dynamic(() => import('./sheets-pane').then((module) => module.SheetsPane));

/** How big, where, and how it is made: scheme, markings, the order of masking, and what is cut. */
export function MarkingsStation({ page }: { page: Sent<MarkingsPage> }): ReactNode {
  const data = useCurrent(page);
  const panes = [
    ['markings', `Markings (${data.markings.length})`],
    ['scheme', `Scheme (${data.fields.length})`],
    ['masks', 'Order of masking'],
    ['decals', 'Decals'],
    ['sheets', 'Sheets to cut'],
    ['outline', 'Outline'],
  ] as const;
  const pane = usePane(panes);
  return (
    <StationFrame station="markings" styles={css.markings} now={whatMatters(data)}>
      <PaneBar path={`/briefs/${data.briefId}/markings`} panes={panes} chosen={pane} />
      {pane === 'markings' ? <MarkingList data={data} /> : null}
      {pane === 'scheme' ? <SchemePane data={data} /> : null}
      {pane === 'masks' ? <MasksPane data={data} /> : null}
      {pane === 'decals' ? <DecalsPane data={data} /> : null}
      {pane === 'outline' ? <OutlinePane data={data} /> : null}
      {pane === 'sheets' ? <SheetsPane data={data} /> : null}
    </StationFrame>
  );
}

function whatMatters(data: MarkingsPage): string {
  const wrong = data.markings.filter(({ check }) => check.errorPercent !== null && check.says !== 'right');
  const now =
    data.markings.length === 0
      ? 'Add what she carries, with its true height.'
      : wrong.length === 0
        ? 'Every measured size is right.'
        : `${wrong.length} of ${counted(data.markings.length, 'marking')} ${plural('is', wrong.length)} printed at the wrong size: ${wrong[0]!.title}, ${wrong[0]!.check.says}.`;
  const stillOpen =
    data.openQuestions > 0
      ? `${countedInWords(data.openQuestions, 'question')} about markings ${plural('is', data.openQuestions)} open at Evidence.`
      : '';
  return [now, stillOpen].filter(Boolean).join(' ');
}
