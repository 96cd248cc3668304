'use client';

import Button from '@mui/material/Button';
import { useEffect, useMemo, type ReactNode } from 'react';
import { measuredFrom, type ComparedOrder, type OrdersWanted } from '@/core/work/compare-orders';
import { BENCH_MASK_RATES as RATES } from '@/core/work/mask-order';
import { howMasked } from '@/core/work/masking';
import { durationInWords } from '@/core/units/minutes';
import { capital, counted } from '@/core/units/words';
import { Chip } from '@/ui/swatch';
import { useWorker } from '@/ui/use-worker';
import type { MarkingsPage } from './page-data';
import { useScheme } from './scheme-now';
import { useKeep } from '@/stations/shell/use-keep';
import { useShown } from '@/ui/shown-units';

type Api = { compareOrders: (wanted: OrdersWanted) => ComparedOrder[] | null };

/** In which order to spray so that least is masked, against the customs; the choice goes to the route. */
export function MasksPane({ data }: { data: MarkingsPage }): ReactNode {
  const shown = useShown();
  const { keep, busy } = useKeep(data.briefId, 'markings');
  const { edges, outside } = useScheme(data);
  const { answer, working, start, stop } = useWorker<Api, ComparedOrder[] | null>(
    () => new Worker(new URL('../../workers/mask-order.worker.ts', import.meta.url), { type: 'module' }),
  );
  const wanted = useMemo<OrdersWanted>(
    () => ({
      edges,
      colours: outside,
      hides: data.hides,
      lightness: data.lightness,
      markingsFirst: measuredFrom(data.fields, data.markings),
      chosen: data.maskOrder,
      paperCm2: data.paperCm2,
    }),
    [edges, outside, data.hides, data.lightness, data.fields, data.markings, data.maskOrder, data.paperCm2],
  );
  useEffect(() => {
    void start((api) => api.compareOrders(wanted));
    // The worker is started anew for each question, never for itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted]);
  const choose = (order: string[], said: string) =>
    void keep('brief', { id: data.briefId, version: data.briefVersion }, { maskOrder: order }, said);
  if (wanted.colours.length < 2)
    return (
      <div className="empty">
        <p>
          <strong>Nothing to mask yet.</strong> As soon as two colours are called that meet on the model, their edges
          are measured and the order with the least masking is found.
        </p>
      </div>
    );
  if (working || !answer)
    return (
      <p role="status">
        Putting {counted(wanted.colours.length, 'colour')} in order…{' '}
        <Button size="small" onClick={stop}>
          Stop
        </Button>
      </p>
    );
  const [best] = answer;
  // Nobody chose: the route goes by the custom.
  const followed = answer.find(({ names }) =>
    names.includes(data.maskOrder.length > 0 ? 'as chosen' : 'light to dark'),
  );
  const inTurn = [...(followed ? [followed] : []), ...answer.filter((order) => order !== followed)];
  return (
    <>
      <div className="orders">
        {inTurn.map((order) => (
          <section key={order.title} aria-label={capital(order.title)}>
            <h2>{capital(order.title)}</h2>
            <p className="dim">{capital(order.says)}.</p>
            <p>
              <strong>{durationInWords(Math.round(order.minutes))}</strong>,{' '}
              {counted(order.sessions, 'masking session')}, {shown(`${(order.tapeMm / 1000).toFixed(2)} m`)} of tape
              {order !== best && best && order.minutes > best.minutes + 0.5
                ? `; ${durationInWords(Math.round(order.minutes - best.minutes))} more than the least`
                : ''}
              .
            </p>
            <ol>
              {order.steps.map(({ colour, tapeMm, softMm, paperCm2, minutes, against }) => (
                <li key={colour}>
                  <Chip hex={data.inks[colour] ?? null} /> <strong>{colour}</strong> {data.names[colour] ?? ''}
                  <span className="dim">
                    {' '}
                    {minutes >= 1 ? durationInWords(Math.round(minutes)) : 'nothing to mask'}
                  </span>
                  {against.length > 0 ? <div>masked off: {against.join(', ')}</div> : null}
                  <div className="dim">{howMasked({ softMm, tapeMm, paperCm2 }).join('; ')}</div>
                </li>
              ))}
            </ol>

            <Button
              variant={order === followed ? 'outlined' : 'contained'}
              disabled={busy || order === followed}
              onClick={() => choose(order.order, `The route sprays in the order of ${order.title}`)}
            >
              {order === followed ? 'The route follows it' : 'Let the route follow it'}
            </Button>
          </section>
        ))}
      </div>
      <p className="dim">
        Minutes: {RATES.sessionMinutes} for each session, {shown(`${Math.round(RATES.tapeMmPerMinute)} mm`)} of tape
        with the strip of paper beside it or {shown(`${Math.round(RATES.softMmPerMinute)} mm`)} of soft edge in one,{' '}
        {RATES.cleanOutMinutes} for cleaning out between colours. A colour need not be masked against a later one that
        hides its overspray in a normal coat.
      </p>
    </>
  );
}
