'use client';

import Button from '@mui/material/Button';
import { Fragment, useState, type ReactNode } from 'react';
import { chooseOption } from '@/actions/kit';
import { schoolStrip } from '@/actions/plan';
import type { ComparedChoice, ComparedSchool } from '@/core/workshop/schools';
import type { Strip } from '@/core/workshop/strip';
import { durationInWords } from '@/core/units/minutes';
import { capital, counted } from '@/core/units/words';
import { fullDay } from '@/ui/dates';
import { useKeep } from '@/stations/shell/use-keep';
import { useSaving } from '@/ui/saving';
import type { RoutePage } from './page-data';
import { RouteStrip } from './route-strip';

interface Props {
  data: RoutePage;
  schools: readonly ComparedSchool[];
}

/** Every school with its ways as schedules of this brief; one of them is drawn beside the chosen one, or taken. */
export function SchoolTables({ data, schools }: Props): ReactNode {
  const { run } = useSaving();
  const { keep, busy } = useKeep(data.briefId, 'route');
  const [beside, setBeside] = useState<Beside | null>(null);
  const show = async (name: ComparedSchool['name'], choice: string) => {
    const answer = await schoolStrip({ briefId: data.briefId, name, choice });
    if (answer.ok) setBeside({ name, choice, strip: answer.value });
  };
  const take = (option: string, { choice, order, said }: ComparedChoice) => {
    const [{ briefId, briefVersion: version }, told] = [data, `${capital(said)}`];
    if (order) void keep('brief', { id: briefId, version }, { maskOrder: order }, told);
    else void run((act) => chooseOption({ act, briefId, version, option, choice }), told);
  };
  return (
    <>
      {schools.map(({ name, title, choices }) => (
        <Fragment key={name}>
          <table className="plain schools">
            <caption>{title}</caption>
            <thead>
              <tr>
                <th>Way</th>
                <th className="num">Work</th>
                <th className="num">Sessions</th>
                <th className="num">Fillings</th>
                <th>Ends</th>
                <th>What it costs or risks</th>
                <th aria-label="Choose" />
              </tr>
            </thead>
            <tbody>
              {choices.map((one) => {
                const { choice, said, isChosen, minutes, sessions, loads, finish, risk, because } = one;
                return (
                  <tr key={choice} className={isChosen ? 'chosen' : undefined}>
                    <th scope="row">
                      {choice}
                      {isChosen ? <strong> (chosen)</strong> : null}
                    </th>
                    <td className="num nowrap" data-unit="of work">
                      {durationInWords(minutes)}
                    </td>
                    <td className="num" data-unit="sessions">
                      {sessions}
                    </td>
                    <td className="num" data-unit="fillings of the airbrush">
                      {loads}
                    </td>
                    <td className="nowrap">{finish ? fullDay(finish.slice(0, 10)) : 'not all fits'}</td>
                    <td>
                      {capital(risk)}.{because ? <strong> For this brief: {because}.</strong> : null}
                    </td>
                    <td>
                      {isChosen ? null : (
                        <>
                          <Button
                            size="small"
                            aria-label={`Show ${said} beside the chosen way`}
                            onClick={() => void show(name, choice)}
                          >
                            Beside
                          </Button>
                          <Button
                            size="small"
                            disabled={busy}
                            aria-label={`Take ${said}`}
                            onClick={() => take(name, one)}
                          >
                            Take it
                          </Button>
                        </>
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          {beside?.name === name ? (
            <TwoStrips
              data={data}
              beside={beside}
              chosen={choices.find(({ isChosen }) => isChosen)?.choice ?? 'as it is'}
            />
          ) : null}
        </Fragment>
      ))}
    </>
  );
}

interface Beside {
  name: ComparedSchool['name'];
  choice: string;
  strip: Strip;
}

/** The plan that stands over that of another way, on one calendar: what only one of them has stands out. */
function TwoStrips({ data, beside, chosen }: { data: RoutePage; beside: Beside; chosen: string }): ReactNode {
  const from = data.sessions.find(({ end }) => end > data.now)?.start ?? 0;
  const [mine, other] = [data.work, beside.strip.work].map((work) => new Set(work.map(({ key }) => key)));
  const only = (work: Strip['work'], theirs: ReadonlySet<string>) =>
    work.filter(({ key, done }) => !done && !theirs.has(key)).map(({ title }) => title);
  // Both on the longer of the two calendars, so that one day stands over the same day.
  const sessions = data.sessions.length >= beside.strip.sessions.length ? data.sessions : beside.strip.sessions;
  const rows = [
    { said: chosen, strip: data as Strip, alone: only(data.work, other!), theirs: other! },
    { said: beside.choice, strip: beside.strip, alone: only(beside.strip.work, mine!), theirs: mine! },
  ];
  return (
    <div role="group" aria-label={`${chosen} beside ${beside.choice}`}>
      {rows.map(({ said, strip, alone, theirs }) => (
        <section key={said} aria-label={said}>
          <h3>
            {capital(said)}
            <span className="dim">
              {alone.length > 0
                ? ` only here: ${alone.length > 4 ? counted(alone.length, 'step') : alone.join('; ')}`
                : ' nothing that the other has not'}
            </span>
          </h3>
          <RouteStrip
            data={{ ...strip, sessions, gates: [] }}
            from={from}
            chosen={null}
            onChoose={() => undefined}
            isDim={({ key }) => theirs.has(key)}
            zoom="season"
            isLow
          />
        </section>
      ))}
    </div>
  );
}
