import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { DIMENSIONS } from '@/core/outline/dimensions';
import type { Mend } from '@/core/skin/camera/mends';
import type { Over } from '@/core/skin/camera/machine-over';
import { counted } from '@/core/units/words';
import { useShown } from '@/ui/shown-units';
import type { Laying } from './use-laying';
import './fit-panel.css';

const FREED = [
  ['principal', 'It is cropped'],
  ['k1', 'Its lens bends lines'],
] as const;

/** How well the machine lies over the picture, what does not fit, and what is said of the print itself. */
export function FitPanel({
  over,
  laying,
  onKeep,
  busy,
  findMends,
  outline,
}: {
  over: Over | null;
  laying: Laying;
  onKeep: () => void;
  busy: boolean;
  /** Which dimension of the outline all pictures together would have otherwise. */
  findMends: () => Promise<Mend[]>;
  outline: OutlineToMend;
}): ReactNode {
  const shown = useShown();
  const { draft } = laying;
  if (!draft) return null;
  const laid = over?.laid ?? null;
  return (
    <div className="fit-panel">
      <div role="status">
        {!over ? (
          <p>
            Set six places or more, as far apart as the picture shows them: the machine is drawn over it from the sixth
            on.
          </p>
        ) : over.fault !== null ? (
          <p>No camera yet: {over.fault}.</p>
        ) : (
          <>
            <p>
              <strong className="figure">
                {shown(`fits to ${laid!.rmsPx.toFixed(1)} px, ${Math.round(laid!.rmsMm)} mm at the machine`)}
              </strong>{' '}
              <span className="dim">{shown(distanceInWords(laid!.distanceM, laid!.distanceSdM))}</span>
            </p>
            {laid!.places
              .filter(({ isOutlier }) => isOutlier)
              .map(({ id, title, offPx, offMm, isGear }) => (
                <p key={id} className="danger">
                  {shown(
                    `✕ ${title}: ${Math.round(offPx)} px, ${Math.round(offMm)} mm off, and left out. ${whyOff(isGear)}`,
                  )}
                </p>
              ))}
            {laid!.says.map((says) => (
              <p key={says}>{says}</p>
            ))}
            {over.moved.length > 0 ? (
              <p>
                {shown(
                  `The outline was changed since these places were set: ${over.moved
                    .slice(0, 3)
                    .map(({ title, mm }) => `${title} lies ${Math.round(mm)} mm elsewhere`)
                    .join(
                      ', ',
                    )}${over.moved.length > 3 ? ` and ${counted(over.moved.length - 3, 'place')} more` : ''}. The places stay where the picture shows them.`,
                )}
              </p>
            ) : null}
            {over.gone > 0 ? (
              <p>{counted(over.gone, 'place')} that the outline has no more: kept, and not used.</p>
            ) : null}
          </>
        )}
        {over?.laid && over.isMirrorLikely ? (
          <p>
            Left and right exchanged it fits far better.{' '}
            <Button size="small" onClick={() => laying.adjust({ isMirrored: !draft.isMirrored })}>
              {draft.isMirrored ? 'Take it as it is' : 'Take it as mirrored'}
            </Button>
          </p>
        ) : null}
      </div>
      <div className="fit-settings">
        <label>
          <input
            type="checkbox"
            checked={draft.isFlying}
            onChange={({ target }) => laying.adjust({ isFlying: target.checked })}
          />{' '}
          its gear is up
        </label>
        <label>
          <input
            type="checkbox"
            checked={draft.isMirrored}
            onChange={({ target }) => laying.adjust({ isMirrored: target.checked })}
          />{' '}
          the print is mirrored
        </label>
        {FREED.map(([name, title]) => (
          <label key={name}>
            <input
              type="checkbox"
              checked={draft.free.includes(name)}
              onChange={({ target }) =>
                laying.adjust({
                  free: target.checked ? [...draft.free, name] : draft.free.filter((one) => one !== name),
                })
              }
            />{' '}
            {title.toLowerCase()}
          </label>
        ))}
        <label>
          focal length{' '}
          <input
            type="number"
            min={1}
            value={draft.focalPx ?? ''}
            placeholder="found"
            style={{ width: 90 }}
            onChange={({ target }) =>
              laying.adjust({ focalPx: Number(target.value) > 0 ? Number(target.value) : null })
            }
          />{' '}
          px
        </label>
        <Button onClick={laying.takeBack} disabled={!laying.canTakeBack}>
          Take back
        </Button>
        <Button variant="contained" onClick={onKeep} disabled={busy || !laid || !laying.isChanged}>
          Keep it (s)
        </Button>
      </div>
      {laid ? <OtherOutline key={JSON.stringify(draft)} findMends={findMends} outline={outline} /> : null}
      <p className="dim">
        Click, or p for the middle; drag or nudge with arrows (shift: 10 px), o takes the next place that is set, Delete
        takes it away.
      </p>
    </div>
  );
}

/** The outline as it may be mended here, and what the kit has to say to it. */
export interface OutlineToMend {
  busy: boolean;
  mend: (mend: Mend) => Promise<unknown>;
  kitInWords: (mend: Mend) => string;
}

/** Whether the outline has a dimension that the pictures have otherwise: asked on a press, since every dimension is tried. */
function OtherOutline({ findMends, outline }: { findMends: () => Promise<Mend[]>; outline: OutlineToMend }): ReactNode {
  const shown = useShown();
  const [mends, setMends] = useState<Mend[] | null>(null);
  const [busy, setBusy] = useState(false);
  const ask = async () => {
    setBusy(true);
    setMends(await findMends());
    setBusy(false);
  };
  return (
    <div>
      <Button size="small" variant="outlined" disabled={busy} onClick={() => void ask()}>
        {busy ? 'Every dimension is tried…' : 'Would another outline fit better?'}
      </Button>{' '}
      <span role="status">
        {mends?.length === 0 ? 'No: no dimension of it would take away half of what does not fit.' : ''}
      </span>
      {mends?.slice(0, 2).map((mend) => (
        <p key={mend.dimension}>
          {shown(`${mendInWords(mend)} ${outline.kitInWords(mend)}`)}{' '}
          <Button size="small" disabled={busy || outline.busy} onClick={() => void outline.mend(mend)}>
            Make the outline so
          </Button>
        </p>
      ))}
    </div>
  );
}

/** "Fin height 1.85 m instead of 1.60 m would take away 92 % of what does not fit, in 3 of 3 pictures." */
function mendInWords({ dimension, from, to, gain, better, pictures }: Mend): string {
  const { title, unit } = DIMENSIONS[dimension];
  const said = (value: number) => (unit === 'deg' ? `${value.toFixed(1)}°` : `${value.toFixed(2)} m`);
  return `${title} ${said(to)} instead of ${said(from)} would take away ${Math.round(100 * gain)} % of what does not fit, in ${better} of ${counted(pictures, 'picture')}.`;
}

/** From how far it was taken, where that is told at all. */
const distanceInWords = (distanceM: number, sdM: number): string =>
  sdM < distanceM
    ? `taken from ${distanceM.toFixed(distanceM < 20 ? 1 : 0)} ± ${sdM.toFixed(sdM < 2 ? 1 : 0)} m`
    : 'from how far it was taken is not told';

/** What is often behind a place that does not fit. */
const whyOff = (isGear: boolean): string =>
  isGear
    ? 'The gear is compressed, or the outline has it otherwise.'
    : 'Set elsewhere than the picture shows it, on another machine, or the outline has it otherwise.';
