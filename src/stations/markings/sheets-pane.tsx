'use client';

import Button from '@mui/material/Button';
import { Fragment, useState, type ReactNode } from 'react';
import { enlargeSum } from '@/core/bench/sums';
import { RESOLUTIONS } from '@/core/markings/dots';
import { isRiveting, LEAST_PITCH_MM, MOST_LINE_MM, rivetsKey } from '@/core/markings/riveting';
import type { MarkingsPage } from './page-data';
import { useMeasures } from '@/ui/shown-units';

/** What is printed or cut: one sheet a marking, templates of the scheme, canopy masks, placing; and a drawing brought to size. */
export function SheetsPane({ data }: { data: MarkingsPage }): ReactNode {
  const [paper, setPaper] = useState<'A4' | 'LETTER'>('A4');
  const href = (keys: readonly string[], as: 'svg' | 'pdf' | 'png') =>
    `/briefs/${data.briefId}/cut?${keys.map((key) => `sheet=${encodeURIComponent(key)}`).join('&')}&as=${as}&paper=${paper}`;
  if (data.offers.length === 0)
    return (
      <div className="empty">
        <p>
          <strong>Nothing to cut yet.</strong> Markings, fields of the scheme and the panes of a canopy appear here as
          sheets in true size.
        </p>
      </div>
    );
  return (
    <>
      <p className="pane-actions">
        <label>
          Paper{' '}
          <select value={paper} onChange={({ target }) => setPaper(target.value as 'A4' | 'LETTER')}>
            <option value="A4">A4</option>
            <option value="LETTER">Letter</option>
          </select>
        </label>{' '}
        <Button variant="contained" href={href(data.offers.map(({ key }) => key).slice(0, 60), 'pdf')}>
          All as PDF
        </Button>
      </p>
      <table className="plain">
        <thead>
          <tr>
            <th>Sheet, true size at 1/{data.denominator}</th>
            <th>For the cutter</th>
            <th>For the printer</th>
          </tr>
        </thead>
        <tbody>
          {data.offers.map(({ key, title, isPrinted }) => (
            <tr key={key}>
              <th scope="row">{title}</th>
              <td>
                <a href={href([key], 'svg')} download>
                  SVG
                </a>
              </td>
              <td>
                <a href={href([key], 'pdf')} download>
                  PDF
                </a>
                {isPrinted
                  ? RESOLUTIONS.map((dots) => (
                      <Fragment key={dots}>
                        {' '}
                        <a href={`${href([key], 'png')}&dots=${dots}`} download>
                          PNG, {dots} dots to the inch
                        </a>
                      </Fragment>
                    ))
                  : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="dim">
        Hairlines without fills, text as outlines, units mm. Each page carries a ruler of 100 mm and a square of 50 mm:
        measure them before you cut.
      </p>
      <Rivets data={data} href={(key, as) => href([key], as)} />
      <Enlarge denominator={data.denominator} />
    </>
  );
}

/** A strip to prick rivets by, along a line of the machine or any length. */
function Rivets({ data, href }: { data: MarkingsPage; href: (key: string, as: 'svg' | 'pdf') => string }): ReactNode {
  const measures = useMeasures();
  const { shown } = measures;
  const [pitch, setPitch] = useState(() => measures.asTyped(25, 'mm'));
  const [long, setLong] = useState(() => measures.asTyped(data.skinLines[0]?.mm ?? 1000, 'mm'));
  const [pitchMm, lineMm] = [measures.read(pitch, 'mm'), measures.read(long, 'mm')];
  const riveting = pitchMm !== null && lineMm !== null ? { pitchMm, lineMm } : null;
  const key = riveting && isRiveting(riveting) ? rivetsKey(riveting) : null;
  return (
    <section aria-label="Rivets">
      <h2>Rivets to prick</h2>
      <p className="corner-row">
        <label>
          Every, {measures.unit('mm')} in reality{' '}
          <input inputMode="decimal" size={5} value={pitch} onChange={({ target }) => setPitch(target.value)} />
        </label>{' '}
        <label>
          along, {measures.unit('mm')}{' '}
          <input inputMode="decimal" size={7} value={long} onChange={({ target }) => setLong(target.value)} />
        </label>{' '}
        {data.skinLines.length > 0 ? (
          <label>
            or a line of the machine{' '}
            <select
              value=""
              onChange={({ target }) => {
                const mm = data.skinLines[Number(target.value)]?.mm;
                if (mm !== undefined) setLong(measures.asTyped(mm, 'mm'));
              }}
            >
              <option value="">choose</option>
              {data.skinLines.map(({ title, mm }, i) => (
                <option key={title} value={i}>
                  {title}, {shown(`${(mm / 1000).toFixed(2)} m`)}
                </option>
              ))}
            </select>
          </label>
        ) : null}
      </p>
      <p role="status">
        {key && riveting ? (
          <>
            <strong>{shown(`${(riveting.pitchMm / data.denominator).toFixed(2)} mm`)}</strong> on the model:{' '}
            <a href={href(key, 'svg')} download>
              SVG
            </a>{' '}
            <a href={href(key, 'pdf')} download>
              PDF
            </a>
          </>
        ) : (
          shown(
            `The pitch is ${LEAST_PITCH_MM} mm or more, the line longer than it and at most ${MOST_LINE_MM / 1000} m.`,
          )
        )}
      </p>
    </section>
  );
}

/** A drawing of unknown scale, brought to the size of the model by one length that is known. */
function Enlarge({ denominator }: { denominator: number }): ReactNode {
  const [drawn, setDrawn] = useState('');
  const [real, setReal] = useState('');
  const measures = useMeasures();
  const [drawnMm, realMm] = [measures.read(drawn, 'mm'), measures.read(real, 'mm')];
  const typed = drawn.trim() !== '' && real.trim() !== '';
  const sum =
    drawnMm !== null && realMm !== null && drawnMm > 0 && realMm > 0
      ? enlargeSum({ drawnMm, realMm, denominator })
      : null;
  return (
    <section aria-label="A drawing of unknown scale">
      <h2>A drawing of unknown scale</h2>
      <p className="corner-row">
        <label>
          A length on it, mm{' '}
          <input inputMode="decimal" size={7} value={drawn} onChange={({ target }) => setDrawn(target.value)} />
        </label>{' '}
        <label>
          is in reality, mm{' '}
          <input inputMode="decimal" size={8} value={real} onChange={({ target }) => setReal(target.value)} />
        </label>
      </p>
      {typed ? (
        <p role="status">
          {sum ? (
            <>
              Print it at <strong>{(sum.factor * 100).toFixed(1)} %</strong>: {sum.because[0]}.
            </>
          ) : (
            'Both lengths have to be above 0.'
          )}
        </p>
      ) : null}
    </section>
  );
}
