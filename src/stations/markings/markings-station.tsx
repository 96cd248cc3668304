'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { Fragment, useMemo, useState, type ReactNode } from 'react';
import { placeMarking } from '@/core/markings/placing';
import { extentOf } from '@/core/geometry/polygon';
import { buildOutline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import { ViewDrawing, viewBox } from '@/sheet/view-drawing';
import { StationFrame } from '@/stations/shell/station-frame';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { counted, countedInWords, plural } from '@/core/units/words';
import { useKey } from '@/ui/keys';
import { Chip } from '@/ui/swatch';
import type { MarkingsPage } from './page-data';

const MarkingForm = dynamic(() => import('./marking-form').then((module) => module.MarkingForm));

export function MarkingsStation({ data }: { data: MarkingsPage }): ReactNode {
  const [open, setOpen] = useState<string | null>(null);
  const { zone } = useZoneChoice();
  useKey('n', () => setOpen('new'));
  const shown = data.markings.filter((marking) => !zone || marking.zone === zone);
  const wrong = data.markings.filter(({ check }) => check.errorPercent !== null && check.says !== 'right');
  const now =
    data.markings.length === 0
      ? 'Add what she carries, with its true height.'
      : wrong.length === 0
        ? 'Every measured size is right.'
        : `${wrong.length} of ${counted(data.markings.length, 'marking')} ${plural('is', wrong.length)} printed at the wrong size: ${wrong[0]!.title.toLowerCase()} is ${wrong[0]!.check.says}.`;
  const stillOpen =
    data.openQuestions > 0
      ? `${countedInWords(data.openQuestions, 'question')} about markings ${plural('is', data.openQuestions)} open at Evidence.`
      : '';
  return (
    <StationFrame
      station="markings"
      now={[now, stillOpen].filter(Boolean).join(' ')}
      actions={
        <Button variant="contained" onClick={() => setOpen(open === 'new' ? null : 'new')}>
          New marking (n)
        </Button>
      }
    >
      {open === 'new' ? (
        <div className="ledger-detail">
          <MarkingForm data={data} marking={null} onDone={() => setOpen(null)} />
        </div>
      ) : null}
      {data.markings.length === 0 ? (
        <div className="empty">
          <p>
            <strong>No marking yet.</strong> Insignia, letters, bands: each with its true height, so that the decal can
            be checked against it.
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
                <th className="num">True, mm</th>
                <th className="num">At 1/{data.denominator}, mm</th>
                <th className="num">On the sheet, mm</th>
                <th>So it is</th>
              </tr>
            </thead>
            <tbody>
              {shown.map((marking) => (
                <Fragment key={marking.id}>
                  <tr>
                    <th scope="row">
                      <button
                        type="button"
                        className="row-button"
                        aria-expanded={open === marking.id}
                        onClick={() => setOpen(open === marking.id ? null : marking.id)}
                      >
                        {marking.title}
                      </button>{' '}
                      {marking.text ? <span className="dim">{marking.text}</span> : null}
                    </th>
                    <td className="dim">
                      {data.zones.find((item) => item.value === marking.zone)?.label ?? marking.zone}
                      {marking.places.length > 1 ? `, ${marking.places.length} places` : ''}
                    </td>
                    <td>
                      {marking.codes.map((code) => (
                        <span key={code} title={code}>
                          <Chip hex={data.inks[code] ?? null} />{' '}
                        </span>
                      ))}
                    </td>
                    <td>{marking.method}</td>
                    <td className="num">{marking.heightMm.toFixed(0)}</td>
                    <td className="num">{marking.check.modelMm.toFixed(2)}</td>
                    <td className="num">{marking.printedMm?.toFixed(2) ?? '–'}</td>
                    <td
                      title={
                        marking.check.equalsRealMm
                          ? `as printed it would be ${marking.check.equalsRealMm.toFixed(0)} mm high in reality`
                          : undefined
                      }
                    >
                      {marking.check.errorPercent === null || marking.check.says === 'right' ? (
                        marking.check.says
                      ) : (
                        <strong>{marking.check.says}</strong>
                      )}
                    </td>
                  </tr>
                  {open === marking.id ? (
                    <tr className="detail">
                      <td colSpan={8}>
                        <ToScale data={data} marking={marking} />
                        <MarkingForm data={data} marking={marking} onDone={() => setOpen(null)} />
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
    </StationFrame>
  );
}

/** The marking on its zone at true proportion, with its size in reality, at scale and on the sheet in one line. */
function ToScale({ data, marking }: { data: MarkingsPage; marking: MarkingsPage['markings'][number] }): ReactNode {
  const outline = useMemo(() => buildOutline(data.spec), [data.spec]);
  const view: View | undefined = marking.places[0]?.view;
  if (!view) return <p className="dim">Give it a place to see it on the airframe.</p>;
  const art = placeMarking(outline, { ...marking, places: marking.places.filter((place) => place.view === view) });
  const around = extentOf(art.flatMap((piece) => [...piece.fields, ...piece.strokes].map((part) => part.points)));
  const scale = Math.min(80, 640 / (outline.extents[view].right - outline.extents[view].left));
  const box = viewBox(outline, view, scale);
  const height = Math.min(box.height, 260);
  const middle = ((around.top + around.bottom) / 2 - box.y) * scale;
  const top = Math.max(0, Math.min(box.height - height, middle - height / 2));
  return (
    <figure style={{ margin: '0 0 10px' }}>
      <div style={{ height, overflow: 'hidden' }} role="img" aria-label={`${marking.title} on the ${view} view`}>
        <div style={{ marginTop: -top }}>
          <ViewDrawing
            outline={outline}
            view={view}
            scale={scale}
            selected={marking.zone}
            fillOf={(zone) => ({ paint: data.zoneColours[zone] ?? '#efefef' })}
            markings={[marking]}
            inkOf={(code) => data.inks[code] ?? '#9a9a9a'}
            idPrefix={`scale-${marking.id}`}
            zoneTitle={(zone) => zone}
          />
        </div>
      </div>
      <figcaption>
        <strong>{marking.heightMm.toFixed(0)} mm</strong> in reality,{' '}
        <strong>{marking.check.modelMm.toFixed(2)} mm</strong> at 1/{data.denominator},{' '}
        {marking.printedMm ? (
          <>
            <strong>{marking.printedMm.toFixed(2)} mm</strong> on the sheet: {marking.check.says}
          </>
        ) : (
          'not measured on the sheet'
        )}
        .
      </figcaption>
    </figure>
  );
}
