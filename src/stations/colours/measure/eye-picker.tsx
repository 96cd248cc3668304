import Button from '@mui/material/Button';
import { useMemo, useState, type ReactNode } from 'react';
import { huePages, nearerTo, PICKED_SD, type HuePage } from '@/core/colour/hue-pages';
import { hexOf } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import type { MeasuredColour } from './measured-colour';
import '../colours.css';

/** A swatch picked by eye: the page of a hue, a cell on it, and what lies round that; all on the grey that colours are judged on. */
export function EyePicker({ onColour }: { onColour: (colour: MeasuredColour) => void }): ReactNode {
  const pages = useMemo(() => huePages(), []);
  const [page, setPage] = useState(5);
  const [picked, setPicked] = useState<Lab | null>(null);
  const shown = pages[page]!;
  return (
    <div className="eye-picker">
      <p className="dim">
        Hold the paint, dried and in daylight, beside the screen. Good to about ± {PICKED_SD} ΔE00: enough to compare
        and to begin a mixture with, and no measurement.
      </p>
      <div className="hue-row" role="group" aria-label="Page of hue">
        {pages.map(({ title, degrees }, i) => (
          <button
            key={degrees}
            type="button"
            aria-pressed={i === page}
            title={title}
            aria-label={title}
            style={{ background: hexOf(shownAs(degrees)) }}
            onClick={() => setPage(i)}
          />
        ))}
      </div>
      <p>
        Page <strong>{shown.title}</strong>: lighter upwards, stronger to the right.
      </p>
      <Grid rows={shown.rows} picked={picked} title={shown.title} onPick={setPicked} />
      {picked ? (
        <>
          <p>Nearer to it:</p>
          <Grid rows={nearerTo(picked)} picked={picked} title={`near ${shown.title}`} onPick={setPicked} />
          <p>
            <span className="eye-picked" style={{ background: hexOf(picked) }} /> L* {picked[0].toFixed(0)} a*{' '}
            {picked[1].toFixed(0)} b* {picked[2].toFixed(0)}, ± {PICKED_SD} ΔE00.{' '}
            <Button
              variant="contained"
              onClick={() =>
                onColour({ lab: picked, sd: PICKED_SD, origin: 'eyeballed', instrument: '', how: 'picked by eye' })
              }
            >
              Take this colour
            </Button>
          </p>
        </>
      ) : null}
    </div>
  );
}

/** Of each hue a colour that every one has: none looks better than the other. */
const shownAs = (degrees: number): Lab => {
  const angle = (degrees * Math.PI) / 180;
  return [62, 36 * Math.cos(angle), 36 * Math.sin(angle)];
};

function Grid({
  rows,
  picked,
  title,
  onPick,
}: {
  rows: HuePage['rows'];
  picked: Lab | null;
  title: string;
  onPick: (lab: Lab) => void;
}): ReactNode {
  return (
    <div className="eye-grid" role="group" aria-label={`Colours of ${title}`}>
      {rows.map(({ lightness, cells }) => (
        <div key={lightness}>
          {cells.map(({ chroma, lab, hex }) => (
            <button
              key={chroma}
              type="button"
              aria-pressed={picked !== null && lab.every((value, i) => Math.abs(value - picked[i]!) < 1e-6)}
              aria-label={`lightness ${lightness.toFixed(0)}, chroma ${chroma.toFixed(0)}`}
              style={{ background: hex }}
              onClick={() => onPick(lab)}
            />
          ))}
        </div>
      ))}
    </div>
  );
}
