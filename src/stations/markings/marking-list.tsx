'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { Fragment, useEffect, useState, type ReactNode } from 'react';
import type { schemeOn } from '@/core/markings/placing';
import { capital, counted } from '@/core/units/words';
import type { troublesOf } from '@/core/markings/troubles';
import type { OutlineSpec } from '@/core/outline/outline';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { Opened } from '@/ui/opened';
import { useKey } from '@/ui/keys';
import { Chip } from '@/ui/swatch';
import { useWorker } from '@/ui/use-worker';
import type { MarkingsPage } from './page-data';
import { useMeasures } from '@/ui/shown-units';

const MarkingForm = dynamic(() => import('./marking-form').then((module) => module.MarkingForm));
const FitView = dynamic(() => import('./fit-view').then((module) => module.FitView));

/** All that she carries, each with its size, and opened with its fit and the ways to make it. */
export function MarkingList({ data }: { data: MarkingsPage }): ReactNode {
  const measures = useMeasures();
  // An address may name one: what was laid flat at Evidence is traced here.
  const [open, setOpen] = useState(useSearchParams().get('marking'));
  const { zone } = useZoneChoice();
  const troubles = useTroubles(data);
  useKey('n', () => setOpen('new'));
  const listed = data.markings.filter((marking) => !zone || marking.zones.includes(zone));
  return (
    <>
      <p className="pane-actions">
        <Button variant="contained" onClick={() => setOpen('new')}>
          New marking (n)
        </Button>
      </p>
      {open === 'new' ? (
        <Opened label="New marking" onClose={() => setOpen(null)}>
          <MarkingForm data={data} marking={null} onDone={(added) => setOpen(added?.id ?? null)} />
        </Opened>
      ) : null}
      {data.markings.length === 0 ? (
        <div className="empty">
          <p>
            <strong>No marking yet.</strong> Insignia, letters, bands, stencils: each with its true height, so that it
            can be checked against sheet, zone and eye.
          </p>
          <Button variant="contained" onClick={() => setOpen('new')}>
            Add the first marking
          </Button>
        </div>
      ) : (
        <div className="scroll-x">
          <table className="plain">
            <thead>
              <tr>
                <th>Marking</th>
                <th>Where</th>
                <th>Colours</th>
                <th>Method</th>
                <th className="num">{measures.head('True', 'mm')}</th>
                <th className="num">{measures.head(`At 1/${data.denominator}`, 'mm')}</th>
                <th className="num">{measures.head('On the sheet', 'mm')}</th>
                <th>So it is</th>
              </tr>
            </thead>
            <tbody>
              {listed.map((marking) => (
                <Fragment key={marking.id}>
                  <tr>
                    <th scope="row">
                      <button
                        type="button"
                        className="row-button"
                        aria-expanded={open === marking.id}
                        onClick={() => setOpen(marking.id)}
                      >
                        {marking.title}
                      </button>{' '}
                      {marking.text ? <span className="dim">{marking.text}</span> : null}
                    </th>
                    <td className="dim">
                      {capital(marking.where)}
                      {marking.pieces > 1 ? `, ${counted(marking.pieces, 'piece')}` : ''}
                    </td>
                    <td>
                      {marking.codes.map((code) => (
                        <span key={code} title={code}>
                          <Chip hex={data.inks[code] ?? null} />{' '}
                        </span>
                      ))}
                    </td>
                    <td>{marking.method}</td>
                    <td className="num nowrap">{measures.inColumn(marking.heightMm, 'mm', 0)}</td>
                    <td className="num nowrap">{measures.inColumn(marking.check.modelMm, 'mm', 2)}</td>
                    <td className="num nowrap">
                      {marking.printedMm === null ? '–' : measures.inColumn(marking.printedMm, 'mm', 2)}
                    </td>
                    <td
                      title={
                        marking.check.equalsRealMm
                          ? measures.shown(
                              `as printed it would be ${marking.check.equalsRealMm.toFixed(0)} mm high in reality`,
                            )
                          : undefined
                      }
                    >
                      {marking.check.errorPercent === null || marking.check.says === 'right' ? (
                        marking.check.says
                      ) : (
                        <strong>{marking.check.says}</strong>
                      )}
                      {troubles[marking.id]?.map((says) => (
                        <div key={says}>▲ {measures.shown(says)}</div>
                      ))}
                    </td>
                  </tr>
                  {open === marking.id ? (
                    <tr className="detail">
                      <td colSpan={8}>
                        <Opened label={marking.title} className="" onClose={() => setOpen(null)} closes>
                          <FitView data={data} marking={marking} />
                          <MarkingForm data={data} marking={marking} onDone={() => setOpen(null)} />
                        </Opened>
                      </td>
                    </tr>
                  ) : null}
                </Fragment>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <p className="dim">At scale = true height ÷ {data.denominator}. Within 2 % counts as right.</p>
    </>
  );
}

type Troubles = ReturnType<typeof troublesOf>;
interface Api {
  troublesOf: (
    spec: OutlineSpec,
    denominator: number,
    fields: Parameters<typeof schemeOn>[1],
    markings: Parameters<typeof troublesOf>[2],
  ) => Promise<Troubles>;
}
const NONE: Troubles = {};

/** What lies over what, and over which edge, found beside the page. */
function useTroubles({ spec, denominator, fields, markings }: MarkingsPage): Troubles {
  const { answer, start } = useWorker<Api, Troubles>(
    () => new Worker(new URL('../../workers/marking-troubles.worker.ts', import.meta.url), { type: 'module' }),
  );
  useEffect(() => {
    void start((api) => api.troublesOf(spec, denominator, fields, markings));
    // The worker is started anew for each question, never for itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [spec, denominator, fields, markings]);
  return answer ?? NONE;
}
