'use client';

import { useCallback, useMemo, useState, type ReactNode } from 'react';
import type { SkinPiece } from '@/core/skin/piece';
import { standAfter } from '@/core/laid/film';
import type { BriefFilm } from '@/core/workshop/filmed';
import { OPTION_CHOICES, type SchoolName } from '@/core/kit/options';
import type { ColourHistory } from '@/core/evidence/as-on';
import { useFetched } from '@/ui/use-fetched';
import { onDemand } from '@/ui/on-demand';
import type { SheetOverlay } from '../airframe-sheet';
import type { SheetMode } from '../fill-of';
import type { SheetData } from '../sheet-data';
import { onDay } from './another-day';
import { FilmStrip } from './film-strip';
import type { TurnedAt } from './turned-at';
import { InWords } from './in-words';
import type { Lamp } from '@/core/skin/seen-from';
import type { Look } from './eye';
import type { Taken, Together } from './scene';
import { ruledPieces, standingPieces, type Palette } from './shown';
import './hand-side.css';

// It comes while the machine is cut into pieces.
const Scene = onDemand(() => import('./scene').then((module) => module.Scene), <div className="hand-scene-awaited" />);

/** Schools that are seen on the finished model. */
const SEEN_SCHOOLS = ['tonal', 'washOver', 'chips', 'weathering'] as const satisfies SchoolName[];

/** What is seen where no step is chosen. */
const RULED: Readonly<Record<SheetMode, string>> = {
  certainty: 'Certainty',
  colours: 'As ruled',
  markings: 'As ruled',
  progress: 'Progress',
};

interface Props {
  /** Where the film of the build is fetched. */
  film: string;
  /** Where it is fetched what decides its colours on any day. */
  history: string;
  pieces: readonly SkinPiece[];
  data: SheetData;
  overlay: SheetOverlay | null;
  mode: SheetMode;
  isAway: boolean;
  look: { at: Look; turn: number };
  lamp: Lamp;
  together: Together;
  selected: string | null;
  isTold: boolean;
  titles: ReadonlyMap<string, string>;
  at: TurnedAt | null;
  title?: string;
  onUnder: (zone: string | null) => void;
  onSelect: (zone: string | null) => void;
  onReady?: (taken: Taken | null) => void;
}

/** The machine once, with what is to be seen of it: as it is ruled, after a step, in official or chosen colours, by another school. */
export function HandSide(props: Props): ReactNode {
  const { pieces, data, mode, selected, titles, at, title = 'The machine', onSelect } = props;
  const [school, setSchool] = useState('');
  const [palette, setPalette] = useState<Palette>('chosen');
  const [day, setDay] = useState('');
  // Until another place is looked at, where it was opened.
  const [over, setOver] = useState<number | null | undefined>(undefined);
  const film = useFetched<BriefFilm>(pieces.length > 0 ? `${props.film}${school}` : null);
  const opened = film && at ? openedAt(film, at) : null;
  const isBefore = over === undefined && opened !== null && !at!.isOver;
  const count = film === null ? null : over === undefined ? opened : over && Math.min(over, film.frames.length);
  const history = useFetched<ColourHistory>(day ? props.history : null);
  const overlay = useMemo(
    () => (day && history && film ? onDay(history, film, day, palette) : props.overlay),
    [day, history, film, palette, props.overlay],
  );
  const stand = useMemo(() => film && standAfter(film, count ?? film.frames.length), [film, count]);
  const shown = useMemo(
    () =>
      film && stand && count !== null
        ? standingPieces(pieces, film, stand, palette)
        : ruledPieces(pieces, data, mode, overlay, film && stand && { film, stand, palette }),
    [pieces, data, mode, overlay, film, stand, count, palette],
  );
  const titleOf = useCallback((zone: string) => titles.get(zone) ?? zone, [titles]);
  const choose = useCallback(
    (zone: string) => {
      if (titles.has(zone)) onSelect(zone === selected ? null : zone);
    },
    [onSelect, selected, titles],
  );
  return (
    <div className="hand-side" role="group" aria-label={title}>
      <div className="hand-scene-holder">
        <Scene
          pieces={pieces}
          shown={shown}
          look={props.look}
          lamp={props.lamp}
          together={props.together}
          selected={selected}
          titleOf={titleOf}
          onReady={props.onReady ?? ignored}
          onUnder={props.onUnder}
          onChoose={choose}
        />
        {props.isTold && film && stand ? (
          <InWords
            film={film}
            stand={stand}
            told={count === null ? mode : null}
            pieces={pieces}
            zones={data.zones}
            selected={selected}
            onSelect={onSelect}
          />
        ) : null}
      </div>
      {film ? (
        <FilmStrip
          film={film}
          over={count}
          ruled={overlay?.caption ?? RULED[mode]}
          isBefore={isBefore}
          onOver={setOver}
        />
      ) : (
        <p className="hand-what dim">
          {props.isAway
            ? 'Its steps are not kept on this device: they are shown when the server answers.'
            : 'The steps are being fetched…'}
        </p>
      )}
      <div className="hand-what">
        <label>
          Colours{' '}
          <select value={palette} onChange={(event) => setPalette(event.target.value as Palette)}>
            <option value="chosen">as chosen</option>
            <option value="official">official</option>
          </select>
        </label>
        <label>
          School{' '}
          <select value={school} onChange={(event) => setSchool(event.target.value)}>
            <option value="">as at Kit</option>
            {SEEN_SCHOOLS.map((name) => (
              <optgroup key={name} label={OPTION_CHOICES[name].title}>
                {OPTION_CHOICES[name].choices.map((choice) => (
                  <option key={choice} value={`&school=${name}&as=${encodeURIComponent(choice)}`}>
                    {choice}
                  </option>
                ))}
              </optgroup>
            ))}
          </select>
        </label>
        <label>
          On a day{' '}
          <input
            type="date"
            value={day}
            onChange={(event) => {
              setDay(event.target.value);
              // A day is of the real machine, and not of a step.
              setOver(null);
            }}
          />
        </label>
      </div>
    </div>
  );
}

/** How many pieces of work are over where a step begins, or ends; null where it is none of those to come. */
function openedAt({ frames }: BriefFilm, { step, isOver }: TurnedAt): number | null {
  const begins = frames.findIndex((frame) => frame.step === step && !frame.isDone);
  return begins < 0 ? null : begins + (isOver ? 1 : 0);
}

const ignored = () => undefined;
