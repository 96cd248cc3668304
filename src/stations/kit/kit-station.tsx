'use client';

import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import { PaneBar, usePane } from '@/stations/shell/pane-bar';
import { StationFrame } from '@/stations/shell/station-frame';
import { shortDay } from '@/ui/dates';
import css from './kit.module.css';
import { OptionsPane } from './options-pane';
import type { KitPage, SoonestChoice } from './page-data';
import { whatMatters } from './what-matters';
import { useFetched } from '@/ui/use-fetched';
import type { Sent } from '@/stations/shell/current-page';
import { useCurrent } from '@/stations/shell/use-current';

const PartsPane = dynamic(() => import('./parts-pane').then((module) => module.PartsPane));
const MeasuredPane = dynamic(() => import('./measured-pane').then((module) => module.MeasuredPane));
const ToolsPane = dynamic(() => import('./tools-pane').then((module) => module.ToolsPane));
const SubjectsPane = dynamic(() => import('./subjects-pane').then((module) => module.SubjectsPane));
const DaysPane = dynamic(() => import('./days-pane').then((module) => module.DaysPane));
const MachineForm = dynamic(() => import('./machine-form').then((module) => module.MachineForm));

/** What is in the box, and what it shall become. */
export function KitStation({ page }: { page: Sent<KitPage> }): ReactNode {
  const data = useCurrent(page);
  const panes = [
    ['options', 'Options'],
    ['parts', `Parts (${data.parts.length})`],
    ['measured', `Measured (${data.measures.length})`],
    ['tools', `Tools (${data.tools.length})`],
    ['subjects', `Subjects (${data.subjects.length + 1})`],
    ['days', `Days (${data.zoneDays.length + 1})`],
    ['machine', 'Machine and kit'],
  ] as const;
  const pane = usePane(panes);
  return (
    <StationFrame station="kit" styles={css.kit} now={<WhatMatters data={data} />}>
      <PaneBar path={`/briefs/${data.briefId}/kit`} panes={panes} chosen={pane} />
      {pane === 'options' ? <OptionsPane data={data} /> : null}
      {pane === 'parts' ? <PartsPane data={data} /> : null}
      {pane === 'measured' ? <MeasuredPane data={data} /> : null}
      {pane === 'tools' ? <ToolsPane data={data} /> : null}
      {pane === 'subjects' ? <SubjectsPane data={data} /> : null}
      {pane === 'days' ? <DaysPane data={data} /> : null}
      {pane === 'machine' ? (
        <MachineForm
          key={`${data.brief.version} ${data.airframe.version}`}
          brief={data.brief}
          airframe={data.airframe}
        />
      ) : null}
    </StationFrame>
  );
}

/** One line: the part that holds up work soonest, else what is to be known of the choices, else the option that has to be decided soonest. */
function WhatMatters({ data }: { data: KitPage }): ReactNode {
  const known = whatMatters(data);
  const soonest = useFetched<{ soonest: SoonestChoice | null }>(
    known ? null : `/briefs/${data.briefId}/choices?revision=${data.revision}`,
  )?.soonest;
  if (known) return known;
  return soonest
    ? `${soonest.title} is to be settled first: by ${shortDay(soonest.by)}.`
    : 'Everything in the box is sound.';
}
