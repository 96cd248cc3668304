'use client';

import { useMemo, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { clock, shortDay } from '@/ui/dates';
import type { Strip, WorkRow } from '@/core/workshop/strip';

/** How near one looks: px for a minute at the bench, and for what lies between two sessions. */
export const ZOOMS = {
  evenings: { minute: 1.15, night: 30 },
  weeks: { minute: 0.42, night: 14 },
  season: { minute: 0.11, night: 4 },
} as const;
export type Zoom = keyof typeof ZOOMS;
/** Room that a number takes, and a day above the strip, px. */
const NUMBER_PX = 17;
const DAY_PX = 92;
const LEFT = 92;
const TOP = 46;
const LANE = 66;
const BAR = 26;
const GATE_ROW = 32;
/** A press that moves less than this is a press, px. */
const SLIGHT = 5;

interface Props {
  data: Strip;
  from: number;
  chosen: string | null;
  onChoose: (key: string) => void;
  isDim: (work: WorkRow) => boolean;
  zoom: Zoom;
  /** A step was dropped, or sent, to a moment of the plan; nothing can be moved where it is left out. */
  onMove?: (key: string, at: number) => void;
  /** Low lanes without numbers: two strips fit under one another. */
  isLow?: boolean;
}

/**
 * Lanes by subassembly over the sessions, nights squeezed between them. Work is solid, drying a thinning tail, a wet window a
 * bracket, a gate a full-height post that carries the questions it closes. Steps are named where there is room, else numbered; the list below names them all.
 */
export function RouteStrip({ data, from, chosen, onChoose, isDim, zoom, onMove, isLow = false }: Props): ReactNode {
  const { minute, night } = ZOOMS[zoom];
  const sessions = data.sessions.filter((session) => session.end > from);
  const xOf = useMemo(() => axisOf(sessions, ZOOMS[zoom]), [sessions, zoom]);
  const width = LEFT + 60 + sessions.reduce((total, session) => total + session.minutes * minute + night, 0);
  const [lane, bar] = isLow ? [LANE / 2, BAR / 2] : [LANE, BAR];
  const bottom = TOP + data.lanes.length * lane;
  const posts = data.gates.filter((gate) => gate.at !== null && gate.at >= from);
  const height = bottom + 14 + (isLow ? 0 : Math.max(1, posts.length) * GATE_ROW);
  const laneY = (name: string) => TOP + data.lanes.indexOf(name) * lane;
  const shown = data.work.filter((work) => work.segments.at(-1)![1] > from);
  const labels = labelsOf(shown, xOf);
  const dated = datedSessions(sessions, xOf);
  const [drag, setDrag] = useState<{ key: string; from: number; by: number } | null>(null);
  const moving = drag && Math.abs(drag.by) > SLIGHT ? drag : null;
  const room = shown.find(({ key }) => key === (moving?.key ?? chosen))?.room ?? null;
  /** To the session before or behind the one that the chosen step lies in. */
  const send = (event: KeyboardEvent) => {
    const way = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    const work = shown.find(({ key }) => key === chosen);
    if (!event.shiftKey || way === 0 || !work || work.done || !onMove) return;
    event.preventDefault();
    const at = sessions.findIndex(({ id }) => id === work.session);
    const target = sessions[at + way];
    if (at >= 0 && target) onMove(work.key, Math.max(target.start, data.now));
  };
  const handlers = (work: WorkRow) =>
    onMove && !work.done
      ? {
          onPointerDown: (event: PointerEvent<SVGGElement>) => {
            if (event.pointerType === 'touch' || event.button !== 0) return;
            event.currentTarget.setPointerCapture(event.pointerId);
            setDrag({ key: work.key, from: event.clientX, by: 0 });
          },
          onPointerMove: (event: PointerEvent) => {
            if (drag?.key === work.key) setDrag({ ...drag, by: event.clientX - drag.from });
          },
          onPointerUp: () => {
            if (moving?.key === work.key) {
              const at = atOf(sessions, ZOOMS[zoom], xOf(work.segments[0]![0]) + moving.by);
              if (at !== null) onMove(work.key, at);
            }
            setDrag(null);
          },
          onPointerCancel: () => setDrag(null),
        }
      : {};
  return (
    <div className="route-scroll" role="region" aria-label="Route strip" tabIndex={0} onKeyDown={send}>
      <svg width={width} height={height} role="group" aria-label="Steps over the sessions">
        {sessions.map((session) => (
          <SessionBand
            key={session.id}
            session={session}
            now={data.now}
            x={xOf(session.start)}
            zoom={zoom}
            bottom={bottom}
            isDated={dated.has(session.id)}
          />
        ))}
        {data.lanes.map((name) => (
          <g key={name}>
            <line x1={0} x2={width} y1={laneY(name) + lane - 4} y2={laneY(name) + lane - 4} stroke="#c2c2c2" />
            <text x={4} y={laneY(name) + lane / 2 + 1} fontSize="15" fontWeight="600">
              {data.laneTitles[name] ?? name}
            </text>
          </g>
        ))}
        {posts.map((gate, i) => (
          // The last post is the shortest, so that no post crosses an earlier one's words.
          <GatePost
            key={gate.title}
            gate={gate}
            x={xOf(gate.at!)}
            y={bottom + 14 + (posts.length - 1 - i) * GATE_ROW}
          />
        ))}
        {room ? <RoomOf from={xOf(room[0])} to={room[1] === null ? width - 8 : xOf(room[1])} bottom={bottom} /> : null}
        {data.now >= from ? (
          <g>
            <line
              x1={xOf(data.now)}
              x2={xOf(data.now)}
              y1={TOP - 10}
              y2={bottom}
              stroke="#1c1c1c"
              strokeDasharray="2 3"
              strokeWidth={1.5}
            />
            <text x={xOf(data.now) - 4} y={TOP + 8} fontSize="12" textAnchor="end">
              now
            </text>
          </g>
        ) : null}
        {shown.map((work) => (
          <g
            key={work.key}
            opacity={isDim(work) ? (isLow ? 0.5 : 0.25) : 1}
            className="strip-step"
            onClick={() => onChoose(work.key)}
            style={{ cursor: moving ? 'grabbing' : 'pointer' }}
            transform={moving?.key === work.key ? `translate(${moving.by} -6)` : undefined}
            {...handlers(work)}
          >
            <title>{`${work.number} ${work.title}, ${clock(work.start)}`}</title>
            <StepBar
              work={work}
              y={laneY(work.lane) + (isLow ? 7 : 18)}
              height={bar}
              xOf={xOf}
              zoom={zoom}
              isChosen={chosen === work.key}
              label={isLow ? null : (labels.get(work.key) ?? (chosen === work.key ? numberUnder(work, xOf) : null))}
            />
          </g>
        ))}
      </svg>
    </div>
  );
}

/** A session: when it is, and that nothing can be sprayed in it. */
function SessionBand({
  session,
  now,
  x,
  zoom,
  bottom,
  isDated,
}: {
  session: Strip['sessions'][number];
  now: number;
  x: number;
  zoom: Zoom;
  bottom: number;
  isDated: boolean;
}): ReactNode {
  return (
    <g>
      <rect
        x={x}
        y={TOP - 4}
        width={session.minutes * ZOOMS[zoom].minute}
        height={bottom - TOP + 8}
        fill={session.start <= now && now < session.end ? '#cfcfcf' : '#dedede'}
      />
      {isDated ? (
        <text x={x} y={18} fontSize="15" fontWeight="600">
          {shortDay(session.startLocal)}
        </text>
      ) : null}
      {zoom === 'evenings' ? (
        <text x={x} y={34} fontSize="13" fill="#505050">
          {clock(session.startLocal)}, {session.minutes} min{session.booth ? '' : ', no spraying'}
        </text>
      ) : null}
    </g>
  );
}

/** A gate: a full-height post with the questions that it closes. */
function GatePost({ gate, x, y }: { gate: Strip['gates'][number]; x: number; y: number }): ReactNode {
  return (
    <g>
      <line x1={x} x2={x} y1={TOP - 8} y2={y + 4} stroke="#1c1c1c" strokeWidth={4} />
      <rect x={x - 5} y={TOP - 12} width={10} height={8} fill="#1c1c1c" />
      <text x={x + 8} y={y + 4} fontSize="15" fontWeight="600">
        {gate.title}
        {gate.passed ? ' ✓' : ''}
      </text>
      <text x={x + 8} y={y + 19} fontSize="13" fill="#505050">
        {gate.open.length === 0
          ? 'nothing open'
          : `${gate.open.length} open: ${gate.open.slice(0, 2).join('; ')}${gate.open.length > 2 ? '…' : ''}`}
      </text>
    </g>
  );
}

/** Between which hours a step may lie. */
function RoomOf({ from, to, bottom }: { from: number; to: number; bottom: number }): ReactNode {
  return (
    <g>
      <path
        d={`M${from} ${TOP - 4}V${bottom + 4}M${to} ${TOP - 4}V${bottom + 4}`}
        stroke="#1c1c1c"
        strokeWidth={1}
        strokeDasharray="7 4"
      />
      <rect x={from} y={TOP - 8} width={Math.max(1, to - from)} height={4} fill="#1c1c1c" />
    </g>
  );
}

/** Work solid, drying a thinning tail, a wet window a bracket, and its name where there is room. */
function StepBar({
  work,
  y,
  height: bar,
  xOf,
  zoom,
  isChosen,
  label,
}: {
  work: WorkRow;
  y: number;
  height: number;
  xOf: (at: number) => number;
  zoom: Zoom;
  isChosen: boolean;
  label: ReturnType<typeof numberUnder> | null;
}): ReactNode {
  const { minute } = ZOOMS[zoom];
  const lastEnd = work.segments.at(-1)![1];
  const end = xOf(lastEnd);
  const tail = work.dries > 0 ? xOf(lastEnd + work.dries) - end : 0;
  return (
    <>
      {tail > 1 ? (
        <path
          d={`M${end} ${y + 3}L${end + tail} ${y + bar / 2}L${end} ${y + bar - 3}Z`}
          fill="#8f8f8f"
          opacity={0.55}
        />
      ) : null}
      {work.segments.map(([a, b]) => (
        <rect
          key={a}
          x={xOf(a)}
          y={y}
          width={Math.max(zoom === 'evenings' ? 5 : 2, (b - a) * minute)}
          height={bar}
          fill={work.hex ?? (work.done ? '#8a8a8a' : work.gate ? '#1c1c1c' : '#fafafa')}
          stroke="#1c1c1c"
          strokeWidth={isChosen ? 3 : 1.1}
        />
      ))}
      {work.wet ? (
        <path
          d={`M${xOf(lastEnd + work.wet[0])} ${y - 2}v-5H${xOf(lastEnd + work.wet[1])}v5`}
          fill="none"
          stroke="#1c1c1c"
          strokeWidth={1.4}
        />
      ) : null}
      {label ? (
        <text
          x={label.x}
          y={y + BAR + 12 - (label.side === 'above' ? BAR + 17 : 0)}
          fontSize="12"
          textAnchor={label.anchor}
          // Posts and edges stand behind it: it is read over them.
          stroke="#e4e4e4"
          strokeWidth={3}
          paintOrder="stroke"
          fontWeight={isChosen ? 700 : 500}
        >
          {label.text}
        </text>
      ) : null}
    </>
  );
}

/** Elapsed minutes to px: sessions at working scale, everything between two of them within one night's width. */
function axisOf(sessions: Strip['sessions'], { minute, night }: (typeof ZOOMS)[Zoom]): (at: number) => number {
  const starts: number[] = [];
  let x = LEFT;
  for (const session of sessions) {
    starts.push(x);
    x += session.minutes * minute + night;
  }
  return (at) => {
    const i = sessions.findLastIndex((session) => session.start <= at);
    if (i < 0) return LEFT - 6;
    const session = sessions[i]!;
    if (at <= session.end) return starts[i]! + (at - session.start) * minute;
    const end = starts[i]! + session.minutes * minute;
    const next = sessions[i + 1]?.start ?? session.end + 24 * 60;
    return end + night * Math.min(1, (at - session.end) / (next - session.end));
  };
}

/** The moment at a place of the axis; what lies between two sessions counts to the nearer one. Null where there are none. */
function atOf(sessions: Strip['sessions'], { minute, night }: (typeof ZOOMS)[Zoom], place: number): number | null {
  let x = LEFT;
  for (const session of sessions) {
    const end = x + session.minutes * minute;
    if (place < end + night / 2)
      return Math.round(Math.min(session.end - 1, session.start + Math.max(0, place - x) / minute));
    x = end + night;
  }
  const last = sessions.at(-1);
  return last ? last.end - 1 : null;
}

/** Sessions whose day is written above them: as many as do not touch. */
function datedSessions(sessions: Strip['sessions'], xOf: (at: number) => number): Set<string> {
  const dated = new Set<string>();
  let free = -Infinity;
  for (const { id, start } of sessions) {
    const x = xOf(start);
    if (x < free) continue;
    dated.add(id);
    free = x + DAY_PX;
  }
  return dated;
}

/** What stands beside a bar: its name where there is room until the next one of its lane, else its number. */
export interface StripLabel {
  text: string;
  side: 'below' | 'above';
  /** Where it begins (names), or its middle (numbers). */
  x: number;
  anchor: 'start' | 'middle';
}

/** Fewer letters of a name tell nobody anything. */
const LEAST_LETTERS = 8;
const LETTER_PX = 6.4;

/** The number of a chosen step that has no label beside others. */
const numberUnder = ({ number, segments: [first] }: WorkRow, xOf: (at: number) => number): StripLabel => ({
  text: String(number),
  side: 'below',
  x: (xOf(first![0]) + xOf(first![1])) / 2,
  anchor: 'middle',
});

/** The labels of the steps by their keys; a number that would touch another above and below is left to a press. */
function labelsOf(work: readonly WorkRow[], xOf: (at: number) => number): Map<string, StripLabel> {
  const labels = new Map<string, StripLabel>();
  for (const lane of new Set(work.map((item) => item.lane))) {
    const own = work.filter((item) => item.lane === lane).sort((a, b) => a.segments[0]![0] - b.segments[0]![0]);
    const last = { below: -Infinity, above: -Infinity };
    own.forEach((item, i) => {
      const [start, end] = [xOf(item.segments[0]![0]), xOf(item.segments[0]![1])];
      const next = own[i + 1];
      const letters = Math.floor(((next ? xOf(next.segments[0]![0]) : Infinity) - start) / LETTER_PX) - 1;
      const name = `${item.number} ${item.title}`;
      if (start >= last.below && letters >= Math.min(name.length, LEAST_LETTERS + String(item.number).length + 1)) {
        const text = letters >= name.length ? name : `${name.slice(0, letters - 1).trimEnd()}…`;
        labels.set(item.key, { text, side: 'below', x: start, anchor: 'start' });
        last.below = start + text.length * LETTER_PX;
        return;
      }
      const x = (start + end) / 2;
      const side = (['below', 'above'] as const).find((one) => x - NUMBER_PX / 2 >= last[one]);
      if (!side) return;
      labels.set(item.key, { text: String(item.number), side, x, anchor: 'middle' });
      last[side] = x + NUMBER_PX / 2;
    });
  }
  return labels;
}
