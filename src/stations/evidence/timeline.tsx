'use client';

import { UNMEASURED } from '@/core/colour/unmeasured';
import Button from '@mui/material/Button';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { coloursOn, layersAsOn, showsOn, type ColourHistory, type ColourOnDay } from '@/core/evidence/as-on';
import { EVENT_KINDS } from '@/core/evidence/events';
import { needsOrder } from '@/core/evidence/layers';
import { addDays, daysBetween } from '@/core/units/day';
import { useSheetOverlay, useZoneChoice } from '@/stations/shell/zone-choice';
import { fullDay, windowInWords } from '@/ui/dates';
import { useKey } from '@/ui/keys';
import { useFetched } from '@/ui/use-fetched';
import { NewEvent, OneEvent } from './event-forms';
import type { EvidencePage } from './page-data';
import { coatsOf, spanOf, ticksOf } from './timeline-scale';
import './evidence.css';

type EventRow = EvidencePage['events'][number];

/** What happened to each zone, on a scale of days, and the airframe as it was on any of them. */
export function Timeline({ data }: { data: EvidencePage }): ReactNode {
  const history = useFetched<ColourHistory>(`/briefs/${data.briefId}/history?revision=${data.revision}`);
  return history ? <DatedTimeline data={data} history={history} /> : <p role="status">Reading what was when…</p>;
}

function DatedTimeline({ data, history }: { data: EvidencePage; history: ColourHistory }): ReactNode {
  const { zone, choose, titleOf } = useZoneChoice();
  const setOverlay = useSheetOverlay();
  const span = useMemo(() => spanOf(data), [data]);
  const [offset, setOffset] = useState(() => daysBetween(span.from, data.target.from ?? data.target.to ?? span.from));
  const [form, setForm] = useState<'new' | string | null>(null);
  const day = addDays(span.from, offset);
  const onDay = useMemo(() => coloursOn(history, day), [history, day]);
  const hexOf = useMemo(() => new Map(data.codes.map((code) => [code.value, code.hex])), [data.codes]);

  useKey('PageUp', () => setOffset((was) => Math.max(0, was - 30)));
  useKey('PageDown', () => setOffset((was) => Math.min(span.days, was + 30)));

  useEffect(() => {
    const colours = new Map(
      [...onDay].map(([key, { value }]) => [key, value === null ? null : (hexOf.get(value) ?? UNMEASURED)]),
    );
    const hidden = new Set(
      data.markings.filter((m) => !showsOn(data.events, m.zone, m.name, day)).map((marking) => marking.id),
    );
    setOverlay({ colours, hidden, caption: `as on ${fullDay(day)}; dashed: not known` });
  }, [onDay, hexOf, data, day, setOverlay]);
  useEffect(() => () => setOverlay(null), [setOverlay]);

  const zones = [...new Set(data.events.map((event) => event.zone))].filter((key) => !zone || key === zone).sort();
  const sources = data.sources.filter(({ window }) => {
    const on = window.from ?? window.to;
    return on && on >= span.from && on <= span.to;
  });
  /** Without any day there is no scale to stand on. */
  const dated = data.events.length > 0 || sources.length > 0 || Boolean(data.target.from ?? data.target.to);
  const at = (when: string) => `${(100 * daysBetween(span.from, when)) / span.days}%`;
  return (
    <section aria-label="Timeline">
      {dated ? (
        <>
          <div className="timeline-head">
            <label htmlFor="as-on">
              As on <strong>{fullDay(day)}</strong>
            </label>
            <input
              id="as-on"
              type="range"
              min={0}
              max={span.days}
              value={offset}
              onChange={(event) => setOffset(Number(event.target.value))}
              aria-valuetext={fullDay(day)}
            />
            <input
              type="date"
              value={day}
              min={span.from}
              max={span.to}
              aria-label="As on, day"
              onChange={(event) =>
                event.target.value &&
                setOffset(Math.min(span.days, Math.max(0, daysBetween(span.from, event.target.value))))
              }
            />
            {data.target.from ? (
              <button
                type="button"
                className="row-button"
                onClick={() => setOffset(daysBetween(span.from, data.target.from!))}
              >
                the target
              </button>
            ) : null}
          </div>
          <p className="dim">{inWords(data, onDay, day)}</p>
        </>
      ) : null}

      <div className="timeline" role="list" aria-label="Zones and what happened to them">
        {dated ? (
          <div className="timeline-lane axis" role="presentation">
            <span className="timeline-name dim">sources</span>
            <div className="timeline-bar">
              <TargetBand data={data} at={at} />
              {ticksOf(span).map((tick, i) => (
                <span
                  key={tick.day}
                  className={i % 2 ? 'timeline-tick minor' : 'timeline-tick'}
                  style={{ left: at(tick.day) }}
                >
                  {tick.label}
                </span>
              ))}
              {sources.map((source) => (
                <span
                  key={source.id}
                  className={`timeline-source${source.inWindow ? ' in' : ''}`}
                  style={{ left: at((source.window.from ?? source.window.to)!) }}
                  title={`${source.title}, ${source.dated}`}
                />
              ))}
              <span className="timeline-now" style={{ left: `${(100 * offset) / span.days}%` }} />
            </div>
          </div>
        ) : null}
        {zones.map((key) => (
          <div className="timeline-lane" role="listitem" key={key}>
            <button
              type="button"
              className="row-button timeline-name"
              onClick={() => choose(zone === key ? null : key)}
            >
              {titleOf(key)}
            </button>
            <div className="timeline-bar">
              <TargetBand data={data} at={at} />
              {coatsOf(data, history, key, span).map((coat) => (
                <span
                  key={coat.from}
                  className="timeline-coat"
                  style={{
                    left: at(coat.from),
                    width: `${(100 * daysBetween(coat.from, coat.to)) / span.days}%`,
                    background: (coat.value && hexOf.get(coat.value)) ?? undefined,
                  }}
                  title={`${coat.value ?? 'colour not known'} (${FROM_WORDS[coat.known]}), ${windowInWords(coat.from, coat.to)}`}
                />
              ))}
              {data.events
                .filter((event) => event.zone === key)
                .map((event) => (
                  <button
                    type="button"
                    key={event.id}
                    className="timeline-event"
                    style={{ left: at(event.onDay) }}
                    onClick={() => setForm(form === event.id ? null : event.id)}
                    aria-label={`${titleOf(key)}: ${eventInWords(event)}`}
                    title={eventInWords(event)}
                  >
                    {SIGNS[event.kind]}
                  </button>
                ))}
              <span className="timeline-now" style={{ left: `${(100 * offset) / span.days}%` }} />
            </div>
            <span className="timeline-says code">{onDay.get(key)?.value ?? '–'}</span>
          </div>
        ))}
        {zones.length === 0 ? (
          <p className="empty">
            <strong>Nothing is known to have happened{zone ? ' to this zone' : ''}.</strong> A repaint, a patch over a
            name, a band that was added: each makes what was seen on the other side of its day count for another coat.
          </p>
        ) : null}
      </div>
      {zones.length > 0 ? (
        <p className="dim">
          ▼ repainted, ▣ overpainted, ▽ temporary finish, + added; the band is the target window. Bars are filled with
          the coat as far as it is known for those days.
        </p>
      ) : null}
      <Button variant="outlined" onClick={() => setForm(form === 'new' ? null : 'new')}>
        Add what happened
      </Button>
      {form === 'new' ? <NewEvent data={data} zone={zone} day={day} onClose={() => setForm(null)} /> : null}
      {form !== null && form !== 'new' ? (
        <OneEvent
          key={form}
          data={data}
          event={data.events.find((event) => event.id === form)}
          onClose={() => setForm(null)}
        />
      ) : null}
      <LayerOrder data={data} history={history} zones={zones} day={day} />
    </section>
  );
}

const SIGNS = { repaint: '▼', overpaint: '▣', temporary: '▽', addition: '+' } as const;
const FROM_WORDS: Record<ColourOnDay['from'], string> = {
  ruling: 'ruled',
  event: 'laid then',
  evidence: 'by the evidence',
  nothing: 'nothing says',
};

const eventInWords = (event: EventRow) =>
  `${EVENT_KINDS[event.kind].title.toLowerCase()} ${fullDay(event.onDay)}${event.value ? `: ${event.value}` : ''}${event.showsUnder ? ', what is under it shows' : ''}${event.note ? ` (${event.note})` : ''}`;

function TargetBand({ data, at }: { data: EvidencePage; at: (day: string) => string }): ReactNode {
  const { from, to } = data.target;
  const first = from ?? to;
  if (!first) return null;
  return <span className="timeline-target" style={{ left: at(first), right: `calc(100% - ${at(to ?? first)})` }} />;
}

function inWords(data: EvidencePage, onDay: ReadonlyMap<string, ColourOnDay>, day: string): string {
  const all = [...onDay.values()];
  const unknown = all.filter((zone) => zone.from === 'nothing').length;
  const unsure = all.filter((zone) => zone.from === 'evidence' && zone.state !== 'settled').length;
  const inside = data.target.from && data.target.to && day >= data.target.from && day <= data.target.to;
  return `${inside ? 'Inside the target window. ' : ''}On that day ${all.length - unknown} of ${all.length} zones have a colour${unsure > 0 ? `, ${unsure} of them not settled for that day` : ''}; the sheet shows them.`;
}

/** What has to be laid down, bottom to top, where more than one coat shows on the day. */
function LayerOrder({
  data,
  history,
  zones,
  day,
}: {
  data: EvidencePage;
  history: ColourHistory;
  zones: readonly string[];
  day: string;
}): ReactNode {
  const { titleOf } = useZoneChoice();
  const atTarget = day >= (data.target.from ?? '0') && day <= (data.target.to ?? data.target.from ?? '9');
  const orders = atTarget
    ? data.layers.filter((order) => zones.includes(order.zone))
    : zones.flatMap((zone) => {
        const layers = layersAsOn(history, zone, day);
        return needsOrder(layers) ? [{ zone, layers }] : [];
      });
  if (orders.length === 0) return null;
  return (
    <section className="bar-line" aria-label="Layers to lay down">
      <h2 style={{ marginTop: 0 }}>To lay down, in order</h2>
      <ul>
        {orders.map(({ zone, layers }) => (
          <li key={zone}>
            {titleOf(zone)}:{' '}
            {layers
              .map(
                (layer) =>
                  `${layer.value ?? 'first colour, not known'}${layer.kind === 'first' || layer.kind === 'repaint' ? '' : ` (${EVENT_KINDS[layer.kind].title.toLowerCase()})`}`,
              )
              .join(' → ')}
          </li>
        ))}
      </ul>
      <p className="dim">
        {atTarget
          ? 'The Route has these as steps: the older coat first, so that its edge shows.'
          : 'For this day; the Route follows the target window.'}
      </p>
    </section>
  );
}
