'use client';

import type { ReactNode } from 'react';
import {
  Bar,
  BarChart,
  CartesianGrid,
  Legend,
  Line,
  LineChart,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Learning } from '@/core/workshop/learning';
import { durationInWords } from '@/core/units/minutes';
import { counted } from '@/core/units/words';
import { NextThing } from '@/stations/shell/next-thing';
import { fullDay, shortDay } from '@/ui/dates';
import { DIM, INK, RULE } from '@/ui/theme';
import { useFetched } from '@/ui/use-fetched';
import type { LogPage } from './page-data';
import { useShown } from '@/ui/shown-units';

type Learned = Learning & { drift: { at: string; finish: string }[] };

const AXIS = { stroke: INK, tick: { fill: INK, fontSize: 13 } };
const inHours = (value: unknown) => `${Number(value).toFixed(1)} h`;

/** What the record teaches: pace by kind of work, hours by stage, how the finish drifted, paint and air. */
export function LearnedPane({ data }: { data: LogPage }): ReactNode {
  const shown = useShown();
  const learned = useFetched<Learned>(`/briefs/${data.briefId}/log/learned?of=${data.revision}`);
  if (data.done === 0)
    return (
      <NextThing to="bench" does="Begin at the Bench">
        With the first steps done stands here how long your work takes, what it uses, and how the finish drifts.
      </NextThing>
    );
  if (!learned) return <p className="dim">Reckoning…</p>;
  const { kinds, stages, paints, air, drift } = learned;
  return (
    <>
      <h2>Planned against taken, by kind of work</h2>
      <p>
        The route multiplies the minutes of each kind by its factor; each step there says so. Few entries are believed
        less: the factor leans to 1.
      </p>
      <div className="learned-two">
        <Bars
          label="Minutes planned and taken by kind of work"
          rows={kinds.slice(0, 10).map(({ kind, planned, taken }) => ({ name: kind, planned, taken }))}
          bars={['planned', 'taken']}
          unit=" min"
        />
        <table className="plain">
          <thead>
            <tr>
              <th>Work</th>
              <th className="num">Pieces</th>
              <th className="num">Planned</th>
              <th className="num">Taken</th>
              <th className="num">Factor</th>
            </tr>
          </thead>
          <tbody>
            {kinds.map(({ kind, n, planned, taken, factor }) => (
              <tr key={kind}>
                <th scope="row">{kind}</th>
                <td className="num">{n}</td>
                <td className="num nowrap">{durationInWords(planned)}</td>
                <td className="num nowrap">{durationInWords(taken)}</td>
                <td className="num">{factor.toFixed(2)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <h2>Hours by stage</h2>
      <Bars
        label="Hours done and left by stage"
        rows={stages.map(({ stage, done, left }) => ({ name: stage, done, left }))}
        bars={['done', 'left']}
        unit=" h"
        stacked
      />
      <h2>How the finish drifted</h2>
      {drift.length < 2 ? (
        <p>
          {drift.length === 0
            ? 'No plan was accepted yet: at the Route, accept one, and each later one is held against it.'
            : `One plan was accepted so far, ending on ${fullDay(drift[0]!.finish.slice(0, 10))}. With the next one stands here how far it moved.`}
        </p>
      ) : (
        <Drift drift={drift} />
      )}
      <div className="learned-two">
        <section>
          <h2>Paint used</h2>
          {paints.length === 0 ? (
            <p>Say at the Bench how many millilitres went off the bottle.</p>
          ) : (
            <table className="plain">
              <thead>
                <tr>
                  <th>Paint</th>
                  <th className="num">Used, ml</th>
                  <th className="num">Fillings</th>
                  <th className="num">Coats, usually</th>
                </tr>
              </thead>
              <tbody>
                {paints.map(({ paint, ml, times, coats }) => (
                  <tr key={paint}>
                    <th scope="row">{paint}</th>
                    <td className="num">{ml.toFixed(1)}</td>
                    <td className="num">{times}</td>
                    <td className="num">{coats ?? '–'}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
        <section>
          <h2>Air and drying</h2>
          {air.length === 0 ? (
            <p>No entry says what the air was like.</p>
          ) : (
            <table className="plain">
              <thead>
                <tr>
                  <th>Day</th>
                  <th className="num">Air</th>
                  <th>A coat took so many times the usual</th>
                </tr>
              </thead>
              <tbody>
                {air.map(({ day, tempC, humidity, factors }) => (
                  <tr key={day}>
                    <th scope="row" className="nowrap">
                      {shortDay(day)}
                    </th>
                    <td className="num nowrap">{shown(`${tempC} °C, ${humidity} %`)}</td>
                    <td>{factors.map(({ chemistry, factor }) => `${chemistry} ${factor.toFixed(2)} ×`).join(', ')}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
      </div>
    </>
  );
}

function Bars({
  label,
  rows,
  bars,
  unit,
  stacked = false,
}: {
  label: string;
  rows: ({ name: string } & Record<string, number | string>)[];
  bars: readonly [string, string];
  unit: string;
  stacked?: boolean;
}): ReactNode {
  const stack = stacked ? { stackId: 'one' } : {};
  const said = rows.map(
    (row) => `${row.name} ${bars.map((bar) => `${Math.round(Number(row[bar]))}${unit} ${bar}`).join(', ')}`,
  );
  return (
    <figure className="chart" role="img" aria-label={`${label}: ${said.join('; ')}`}>
      <ResponsiveContainer width="100%" height={Math.max(160, rows.length * 34 + 60)}>
        <BarChart data={rows} layout="vertical" margin={{ top: 4, right: 16, bottom: 0, left: 8 }} barGap={1}>
          <CartesianGrid stroke={RULE} horizontal={false} />
          <YAxis type="category" dataKey="name" width={96} {...AXIS} interval={0} />
          <XAxis type="number" unit={unit} {...AXIS} />
          <Tooltip
            formatter={(value) => (unit === ' h' ? inHours(value) : `${String(value)}${unit}`)}
            contentStyle={{ borderRadius: 0 }}
          />
          <Legend formatter={(value) => <span style={{ color: INK }}>{value}</span>} />
          <Bar dataKey={bars[0]} {...stack} fill={stacked ? DIM : '#ffffff'} stroke={INK} isAnimationActive={false} />
          <Bar dataKey={bars[1]} {...stack} fill={stacked ? '#ffffff' : DIM} stroke={INK} isAnimationActive={false} />
        </BarChart>
      </ResponsiveContainer>
    </figure>
  );
}

const DAY = 86_400_000;

/** Days by which each accepted plan ends later than the first one. */
function Drift({ drift }: { drift: Learned['drift'] }): ReactNode {
  const first = Date.parse(drift[0]!.finish);
  const rows = drift.map(({ at, finish }) => ({
    at: shortDay(at.slice(0, 10)),
    later: Math.round((Date.parse(finish) - first) / DAY),
    finish: fullDay(finish.slice(0, 10)),
  }));
  const last = rows.at(-1)!;
  const by =
    last.later === 0
      ? 'It stands where it stood.'
      : `${counted(Math.abs(last.later), 'day')} ${last.later > 0 ? 'later' : 'sooner'} than first planned.`;
  return (
    <>
      <p>
        {by} First planned for {rows[0]!.finish}, now {last.finish}.
      </p>
      <figure
        className="chart"
        role="img"
        aria-label={`Days later than first planned: ${rows.map(({ at, later }) => `${at} ${later}`).join(', ')}`}
      >
        <ResponsiveContainer width="100%" height={200}>
          <LineChart data={rows} margin={{ top: 8, right: 16, bottom: 0, left: 8 }}>
            <CartesianGrid stroke={RULE} vertical={false} />
            <XAxis dataKey="at" {...AXIS} />
            <YAxis unit=" d" width={56} allowDecimals={false} {...AXIS} />
            <Tooltip contentStyle={{ borderRadius: 0 }} formatter={(value) => `${String(value)} days later`} />
            <Line
              dataKey="later"
              stroke={INK}
              strokeWidth={2}
              dot={{ fill: INK }}
              isAnimationActive={false}
              type="stepAfter"
            />
          </LineChart>
        </ResponsiveContainer>
      </figure>
    </>
  );
}
