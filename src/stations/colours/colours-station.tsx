'use client';

import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import type { ReactNode } from 'react';
import { PaneTabs } from '@/stations/shell/pane-bar';
import { StationFrame } from '@/stations/shell/station-frame';
import { capital, counted, listed, plural } from '@/core/units/words';
import { useKey } from '@/ui/keys';
import { Calls } from './calls/calls';
import type { ColoursPage } from './page-data';
import { unpainted } from './of-call';
import { PANES, type GoTo } from './panes';
import { SampleShelf } from './sample-shelf';
import type { Sent } from '@/stations/shell/current-page';
import { useCurrent } from '@/stations/shell/use-current';
import css from './colours.module.css';
import './colours.css';

const MixingBench = dynamic(() => import('./mixing/mixing-bench').then((module) => module.MixingBench));
const LayersPane = dynamic(() => import('./layers/layers-pane').then((module) => module.LayersPane));
const TogetherPane = dynamic(() => import('./together/together-pane').then((module) => module.TogetherPane));
const BuyingPane = dynamic(() => import('./buying/buying-pane').then((module) => module.BuyingPane));
const DrawerPane = dynamic(() => import('./drawer/drawer-pane').then((module) => module.DrawerPane));
const StandardsPane = dynamic(() => import('./standards/standards-pane').then((module) => module.StandardsPane));

export function ColoursStation({ page }: { page: Sent<ColoursPage> }): ReactNode {
  const data = useCurrent(page);
  const params = useSearchParams();
  const wanted = params.get('show');
  const code = params.get('code');
  const pane = PANES.find(({ key }) => key === wanted)?.key ?? 'calls';
  const goTo: GoTo = (to, toCode) => {
    const next = new URLSearchParams();
    if (to !== 'calls') next.set('show', to);
    if (toCode) next.set('code', toCode);
    window.history.pushState(null, '', `?${next.toString()}`);
  };
  useKey('n', () => goTo('drawer', 'new'));
  const shared = { data, code, goTo };
  return (
    <StationFrame station="colours" styles={css.colours} now={whatMatters(data)}>
      <PaneTabs
        panes={PANES.map(({ key, title }) => [key, title] as const)}
        chosen={pane}
        onChoose={(key) => goTo(key, key === 'mix' || key === 'layers' ? (code ?? undefined) : undefined)}
      />
      {data.codes === 0 || data.paints === 0 ? <SampleShelf codes={data.codes} paints={data.paints} /> : null}
      {pane === 'calls' ? <Calls {...shared} /> : null}
      {pane === 'mix' ? <MixingBench {...shared} /> : null}
      {pane === 'layers' ? <LayersPane {...shared} /> : null}
      {pane === 'together' ? <TogetherPane {...shared} /> : null}
      {pane === 'buy' ? <BuyingPane {...shared} /> : null}
      {pane === 'drawer' ? <DrawerPane {...shared} /> : null}
      {pane === 'standards' ? <StandardsPane {...shared} /> : null}
    </StationFrame>
  );
}

/** What stands in the way of every zone having its paint; bottles that are low are said where the drawer is. */
function whatMatters(data: ColoursPage): string {
  const calls = data.calls.filter(({ painted }) => painted);
  const missing = unpainted(calls);
  const open = [
    ...(data.unruled > 0
      ? [`${counted(data.unruled, 'colour question')} ${plural('is', data.unruled)} still open at Evidence`]
      : []),
    ...(data.unasked > 0 ? [`nobody asked yet about ${counted(data.unasked, 'zone')}`] : []),
  ];
  const still = open.length > 0 ? ` ${capital(listed(open))}.` : '';
  if (calls.length === 0) return `Nothing is called yet.${still}`;
  const [first] = missing;
  if (!first)
    return `${calls.length === 1 ? 'The one colour has' : `All ${counted(calls.length, 'colour')} have`} a paint${open.length > 0 ? ', but that is not all' : ''}.${still}`;
  return `${calls.length - missing.length} of ${counted(calls.length, 'colour')} have a paint; choose one for ${first.name || first.code}.${still}`;
}
