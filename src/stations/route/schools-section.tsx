'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { chooseOption } from '@/actions/kit';
import { compareSchools } from '@/actions/plan';
import type { ComparedSchool } from '@/core/brief/schools';
import { choiceSaid } from '@/core/kit/options';
import { durationInWords } from '@/core/units/minutes';
import { capital } from '@/core/units/words';
import { fullDay } from '@/ui/dates';
import { useSaving } from '@/ui/saving';
import type { RoutePage } from './page-data';

/** Where builders disagree: the choices of each school side by side, as schedules of this brief. */
export function SchoolsSection({ data }: { data: RoutePage }): ReactNode {
  const { run, busy } = useSaving();
  const [schools, setSchools] = useState<ComparedSchool[] | null>(null);
  const [asking, setAsking] = useState(false);
  const compare = async () => {
    setAsking(true);
    const answer = await compareSchools({ briefId: data.briefId });
    setAsking(false);
    if (answer.ok) setSchools(answer.value);
  };
  const take = (option: string, choice: string, said: string) =>
    void run(
      (act) => chooseOption({ act, briefId: data.briefId, version: data.briefVersion, option, choice }),
      `${capital(said)}; u takes it back`,
    ).then((result) => {
      if (result.ok) void compare();
    });
  return (
    <section aria-label="Schools">
      <h2>Schools</h2>
      <p className="pane-actions">
        <Button variant="outlined" disabled={asking} onClick={() => void compare()}>
          {schools ? 'Compare again' : 'Compare the schools'}
        </Button>
        <span className="dim">Where builders disagree: each way as a schedule of this brief, from now on.</span>
      </p>
      {asking && !schools ? <p role="status">Planning each way…</p> : null}
      {(schools ?? []).map(({ name, title, choices }) => (
        <table key={name} className="plain schools">
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
            {choices.map(({ choice, isChosen, minutes, sessions, loads, finish, risk, because }) => (
              <tr key={choice} className={isChosen ? 'chosen' : undefined}>
                <th scope="row">
                  {choice}
                  {isChosen ? <strong> (chosen)</strong> : null}
                </th>
                <td className="num nowrap">{durationInWords(minutes)}</td>
                <td className="num">{sessions}</td>
                <td className="num">{loads}</td>
                <td className="nowrap">{finish ? fullDay(finish.slice(0, 10)) : 'not all fits'}</td>
                <td>
                  {capital(risk)}.{because ? <strong> For this brief: {because}.</strong> : null}
                </td>
                <td>
                  {isChosen ? null : (
                    <Button
                      size="small"
                      disabled={busy}
                      aria-label={`Take ${choiceSaid(name, choice)}`}
                      onClick={() => take(name, choice, choiceSaid(name, choice))}
                    >
                      Take it
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </section>
  );
}
