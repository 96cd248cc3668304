import type { ReactNode } from 'react';
import { identityOf, typeOf } from '@/core/kept/state';
import type { BriefView } from '@/core/brief/derive';
import { SOURCE_KINDS } from '@/core/evidence/weights';
import { sheetData } from '@/sheet/sheet-data';
import { BriefShell } from '@/stations/shell/brief-shell';
import type { Findable } from '@/stations/shell/find-field';
import { fullDay } from '@/ui/dates';
import { briefView } from './view';

export default async function BriefLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ id: string }>;
}) {
  const { id } = await params;
  const { view } = await briefView(id);
  const { airframe, brief } = view.state;
  const finish = view.plan.finish ? ` · finish ${fullDay(view.plan.finish.slice(0, 10))}` : '';
  return (
    <BriefShell
      briefId={id}
      identity={identityOf(airframe)}
      subtitle={`${typeOf(airframe)} · 1/${brief.denominator}${finish}`}
      sheet={sheetData(view)}
      findable={findables(view)}
      timers={view.state.timers}
    >
      {children}
    </BriefShell>
  );
}

function findables(view: BriefView): Findable[] {
  return [
    ...view.outline.zones.map((zone) => ({ label: zone.title, kind: 'Zones', path: '', zone: zone.key })),
    ...view.state.sources.map((source) => ({
      label: source.title,
      kind: SOURCE_KINDS[source.kind].title,
      path: `evidence?source=${source.id}`,
    })),
    ...view.calls.map((call) => ({
      label: `${call.code} ${call.official?.record.name ?? ''}`.trim(),
      kind: 'Colours',
      path: `colours?code=${encodeURIComponent(call.code)}`,
    })),
    ...view.plan.work.map((item) => ({ label: item.step.title, kind: 'Steps', path: 'route' })),
  ];
}
