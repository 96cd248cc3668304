'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { chooseOption, leaveOut } from '@/actions/kit';
import { weighOption } from '@/actions/weighing';
import type { Result } from '@/core/interchange/result';
import type { Stamp } from '@/core/kept/act';
import type { Turn } from '@/core/kept/turn';
import { useKeep } from '@/stations/shell/use-keep';
import { WhatItTurns } from '@/stations/shell/what-it-turns';
import type { Consequence } from '@/core/workshop/consequences';
import { STORE_STATIONS, type StoreStation } from '@/core/kit/stores';
import { durationInWords } from '@/core/units/minutes';
import { capital, capped, counted } from '@/core/units/words';
import { shortDay } from '@/ui/dates';
import { Opened } from '@/ui/opened';
import { useFetched } from '@/ui/use-fetched';
import { useSaving } from '@/ui/saving';
import type { ChoiceRow, KitPage, OptionRow } from './page-data';
import { SchoolsByZones } from './schools-at';
import { useMeasures } from '@/ui/shown-units';

/** The choices of the build: each says what it would change before it is taken. */
export function OptionsPane({ data }: { data: KitPage }): ReactNode {
  const { run, busy } = useSaving();
  const [looking, setLooking] = useState<{ option: string; choice: string } | null>(null);
  const choiceOf = (option: OptionRow, choice: ChoiceRow) => ({
    briefId: data.briefId,
    version: data.brief.version,
    option: option.name,
    choice: choice.value,
  });
  const take = (option: OptionRow, choice: ChoiceRow) =>
    void run((act) => chooseOption({ act, ...choiceOf(option, choice) }), `${option.title}: ${choice.value}`).then(
      (result) => result.ok && setLooking(null),
    );
  return (
    <>
      <ul className="option-list">
        {data.options.map((option) => {
          const open = option.choices.find(
            ({ value, chosen }) => !chosen && looking?.option === option.name && looking.choice === value,
          );
          return (
            <li key={option.name}>
              <fieldset>
                <legend>{option.title}</legend>
                {option.choices.map((choice) => (
                  <button
                    key={choice.value}
                    type="button"
                    aria-pressed={choice.chosen}
                    aria-expanded={open ? open.value === choice.value : undefined}
                    className={choice.cannot ? 'choice cannot' : 'choice'}
                    onClick={() => setLooking(choice.chosen ? null : { option: option.name, choice: choice.value })}
                  >
                    {choice.value}
                  </button>
                ))}
              </fieldset>
              {open ? (
                <ChoiceDetail
                  key={open.value}
                  url={`/briefs/${data.briefId}/choices/${option.name}/${encodeURIComponent(open.value)}?revision=${data.revision}`}
                  weigh={(act) => weighOption({ act, ...choiceOf(option, open) })}
                  choice={open}
                  busy={busy}
                  onTake={() => take(option, open)}
                  onClose={() => setLooking(null)}
                />
              ) : null}
            </li>
          );
        })}
      </ul>
      {data.brief.options.stores === 'none' ? null : <StoresAt data={data} />}
      {data.brief.options.stand === 'a rod' ? <Rod data={data} /> : null}
      <SchoolsByZones data={data} />
      <Unseen data={data} />
    </>
  );
}

const MOST_STEPS = 8;

/** What a choice would change, fetched when it is looked at; that it cannot be is known before. */
function ChoiceDetail({
  choice,
  url,
  weigh,
  busy,
  onTake,
  onClose,
}: {
  choice: ChoiceRow;
  url: string;
  weigh: (act: Stamp) => Promise<Result<Turn[]>>;
  busy: boolean;
  onTake: () => void;
  onClose: () => void;
}): ReactNode {
  const changes = useFetched<Consequence>(url);
  return (
    <Opened className="choice-detail" label={`What ${choice.said} would change`} onClose={onClose}>
      {choice.cannot ? (
        <p role="alert">
          <strong>It cannot be:</strong> {choice.cannot}.
        </p>
      ) : null}
      {changes?.says
        .filter(({ never }) => !never)
        .map(({ says: told }) => (
          <p key={told}>{capital(told)}.</p>
        ))}
      <p>{changes ? <Work changes={changes} /> : <span className="dim">Reckoning …</span>}</p>
      <p className="pane-actions">
        <Button variant="contained" disabled={busy || choice.cannot !== ''} onClick={onTake}>
          Choose {choice.said}
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </p>
      <WhatItTurns of={choice.cannot ? null : choice.value} weigh={weigh} pause={0} />
      {changes ? <StepsAndZones changes={changes} /> : null}
    </Opened>
  );
}

function Work({ changes: { adds, minutes, decideBy } }: { changes: Consequence }): ReactNode {
  const added = adds.reduce((sum, { minutes: own }) => sum + own, 0);
  return (
    <>
      <strong>
        {minutes === 0
          ? 'As much work as now'
          : `${durationInWords(Math.abs(minutes))} ${minutes > 0 ? 'more' : 'less'}`}
      </strong>
      {decideBy ? `; decide by ${shortDay(decideBy)}` : ''}
      {added > 0 ? `; changed back once it is done, ${durationInWords(added)} of it are lost` : ''}.
    </>
  );
}

const stepLines = (list: Consequence['adds']) =>
  capped(
    list.map(({ key, title, minutes }) => ({ key, text: `${title}, ${minutes} min` })),
    MOST_STEPS,
    (left) => ({ key: 'more', text: `and ${counted(left, 'step')} more` }),
  );

function StepsAndZones({ changes: { adds, removes, shows, hides } }: { changes: Consequence }): ReactNode {
  return (
    <div className="choice-columns">
      <section>
        <h3>Adds</h3>
        <ul>
          {stepLines(adds).map(({ key, text }) => (
            <li key={key}>{text}</li>
          ))}
          {adds.length === 0 ? <li className="dim">no step</li> : null}
        </ul>
      </section>
      <section>
        <h3>Takes away</h3>
        <ul>
          {stepLines(removes).map(({ key, text }) => (
            <li key={key}>{text}</li>
          ))}
          {removes.length === 0 ? <li className="dim">no step</li> : null}
        </ul>
      </section>
      <section>
        <h3>Seen and hidden</h3>
        <ul>
          {shows.map((title) => (
            <li key={title}>shows {title}</li>
          ))}
          {hides.map((title) => (
            <li key={title}>hides {title}</li>
          ))}
          {shows.length + hides.length === 0 ? <li className="dim">nothing changes</li> : null}
        </ul>
      </section>
    </div>
  );
}

/** What hangs at which station: empty lines hang nothing. */
function StoresAt({ data }: { data: KitPage }): ReactNode {
  const { keep, busy } = useKeep(data.briefId, 'kit');
  const known = new Map(data.brief.storesAt.map(({ station, carries }) => [station, carries]));
  const [typed, setTyped] = useState<Partial<Record<StoreStation, string>>>({});
  const stores = () =>
    STORE_STATIONS.flatMap((station) => {
      const carries = (typed[station] ?? known.get(station) ?? '').trim();
      return carries ? [{ station, carries }] : [];
    });
  return (
    <section className="kit-part">
      <h2>Stores by station</h2>
      <div className="field-grid">
        {STORE_STATIONS.map((station) => (
          <label key={station} style={{ gridColumn: 'span 3' }}>
            {station}
            <input
              value={typed[station] ?? known.get(station) ?? ''}
              placeholder="nothing"
              onChange={(event) => setTyped({ ...typed, [station]: event.target.value })}
            />
          </label>
        ))}
      </div>
      <p className="pane-actions">
        <Button
          variant="outlined"
          disabled={busy}
          onClick={() =>
            void keep(
              'brief',
              data.brief,
              { storesAt: stores() },
              'Stores kept: each has its holes, its building and its hanging on the route',
            )
          }
        >
          Keep the stores
        </Button>
      </p>
    </section>
  );
}

const ROD_FIELDS = [
  { name: 'angleDeg', label: 'Angle to the base, °', unit: '', usual: 60 },
  { name: 'heightMm', label: 'Socket above the base', unit: 'mm', usual: 120 },
  { name: 'baseMm', label: 'Thickness of the base', unit: 'mm', usual: 20 },
  { name: 'socketMm', label: 'Depth of the socket', unit: 'mm', usual: 15 },
] as const;

/** The rod with its angle and socket: how long it has to be cut. */
function Rod({ data }: { data: KitPage }): ReactNode {
  const measures = useMeasures();
  const { shown } = measures;
  const { keep, busy } = useKeep(data.briefId, 'kit');
  const [typed, setTyped] = useState<Record<string, string>>({});
  const valueOf = (name: (typeof ROD_FIELDS)[number]) =>
    typed[name.name] ?? measures.asTyped(data.brief.rod?.[name.name] ?? name.usual, name.unit);
  const rod = () =>
    Object.fromEntries(
      ROD_FIELDS.map((field) => [field.name, measures.read(valueOf(field), field.unit) ?? Number.NaN]),
    ) as NonNullable<KitPage['brief']['rod']>;
  return (
    <section className="kit-part">
      <h2>Rod</h2>
      <div className="field-grid">
        {ROD_FIELDS.map((field) => (
          <label key={field.name} style={{ gridColumn: 'span 3' }}>
            {field.unit ? `${field.label}, ${measures.unit(field.unit)}` : field.label}
            <input
              inputMode="decimal"
              value={valueOf(field)}
              onChange={(event) => setTyped({ ...typed, [field.name]: event.target.value })}
            />
          </label>
        ))}
      </div>
      <p className="pane-actions">
        <Button
          variant="outlined"
          disabled={busy}
          onClick={() => void keep('brief', data.brief, { rod: rod() }, 'The rod is kept')}
        >
          Keep the rod
        </Button>
        {data.rodMm === null ? null : (
          <span>
            Cut it <strong>{shown(`${data.rodMm.toFixed(1)} mm`)}</strong> long: height and base ÷ sin of the angle, and
            the socket.
          </span>
        )}
      </p>
    </section>
  );
}

/** What nobody will see with these options, and the work that may be left out for it. */
function Unseen({ data }: { data: KitPage }): ReactNode {
  const { run, busy } = useSaving();
  const saved = data.leave.filter(({ left }) => left).reduce((sum, { minutes }) => sum + minutes, 0);
  const hidden = data.sight.filter(({ sight }) => sight === 'hidden');
  const glass = data.sight.filter(({ sight }) => sight === 'through glass');
  if (data.sight.length === 0 && data.leave.length === 0) return null;
  return (
    <section className="kit-part">
      <h2>Seen or not</h2>
      {hidden.length > 0 ? (
        <p>
          Not seen: {hidden.map(({ title }) => title.toLowerCase()).join(', ')} ({hidden[0]!.because}).
        </p>
      ) : null}
      {glass.length > 0 ? (
        <p>
          Through glass only: {glass.map(({ title }) => title.toLowerCase()).join(', ')} ({glass[0]!.because}).
        </p>
      ) : null}
      {data.leave.length > 0 ? (
        <table className="plain">
          <thead>
            <tr>
              <th>May be left out</th>
              <th>Because</th>
              <th className="num">Saves</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {data.leave.map(({ rule, says, because, minutes, left }) => (
              <tr key={rule}>
                <td>{says}</td>
                <td>{because}</td>
                <td className="num">{minutes} min</td>
                <td>
                  <Button
                    size="small"
                    variant="outlined"
                    disabled={busy}
                    onClick={() =>
                      void run(
                        (act) =>
                          leaveOut({ act, briefId: data.briefId, version: data.brief.version, rule, left: !left }),
                        left ? 'On the route again' : `Left out: ${minutes} min saved`,
                      )
                    }
                  >
                    {left ? 'Do it after all' : 'Leave it'}
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      {saved > 0 ? <p className="dim">{durationInWords(saved)} saved by what is left out.</p> : null}
    </section>
  );
}
