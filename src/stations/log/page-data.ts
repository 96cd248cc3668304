import { isOther } from '@/core/bench/other-work';
import { compareByLane, type LaneComparison } from '@/core/bench/compare';
import type { BriefView } from '@/core/derive/derive';
import { alsoDone, madeOf, madeZones, mixedInWords, type MadeLayer } from '@/core/workshop/how-made';
import { logWindow, NO_FILTER, peopleOf, type LogWindow } from '@/core/workshop/log-book';
import { partName } from '@/core/kit/parts';
import { elapsedToLocal } from '@/core/route/calendar';
import { CHEMISTRIES } from '@/core/paint/chemistry';
import { hexOf } from '@/core/colour/spaces';

export interface LogPage {
  briefId: string;
  /** Of the brief: what is fetched by address is fetched of it. */
  revision: number;
  /** The newest lines; the others come when they are asked for. */
  first: LogWindow;
  all: LaneComparison;
  slowest: LaneComparison | null;
  /** Steps that were done and have to be done again. */
  open: number;
  done: number;
  mishaps: number;
  people: string[];
  zones: { key: string; title: string }[];
  /** All of the outline, and all colours that are called. */
  allZones: { key: string; title: string }[];
  codes: { value: string; label: string }[];
  /** One that was worked on last; null while nothing was. */
  lastZone: string | null;
  /** Parts that can be lost or broken, by their name in the box. */
  parts: { id: string; version: number; name: string }[];
}

export function logPage(view: BriefView, revision: number): LogPage {
  const { brief, log, mishaps, parts } = view.state;
  const { lanes, all } = compareByLane(log);
  const slowest = lanes.filter(({ factor }) => factor !== null).sort((a, b) => b.factor! - a.factor!)[0];
  const titles = new Map(view.outline.zones.map(({ key, title }) => [key, title]));
  const made = madeZones(view);
  return {
    briefId: brief.id,
    revision,
    first: logWindow(view, NO_FILTER),
    all,
    slowest: slowest ?? null,
    open: log.filter(({ again }) => again).length,
    done: log.filter((entry) => !isOther(entry)).length,
    mishaps: mishaps.length,
    people: peopleOf(view),
    lastZone: lastZoneOf(log, made),
    zones: made.map((key) => ({ key, title: titles.get(key)! })),
    allZones: view.outline.zones.map(({ key, title }) => ({ key, title })),
    codes: view.calls.map(({ code, official }) => ({
      value: code,
      label: `${code} ${official?.record.name ?? ''}`.trim(),
    })),
    parts: parts.map((part) => ({ id: part.id, version: part.version, name: partName(part) })),
  };
}

function lastZoneOf(log: BriefView['state']['log'], made: readonly string[]): string | null {
  const known = new Set(made);
  return (
    [...log]
      .sort((a, b) => b.endedAt.localeCompare(a.endedAt))
      .flatMap(({ zones }) => zones)
      .find((key) => known.has(key)) ?? null
  );
}

/** One layer of a zone as it is shown. */
export interface MadeRow extends Pick<
  MadeLayer,
  'step' | 'title' | 'what' | 'paint' | 'coats' | 'lostTo' | 'comesOff' | 'isUnwanted'
> {
  /** Where it lies is a guess: the entry names no zone. */
  isAssumed: boolean;
  chemistry: string;
  hex: string | null;
  /** Null while it is not laid. */
  laid: {
    at: string;
    who: string;
    mixed: string;
    sprayed: string;
    air: string;
    coats: number | null;
    note: string;
    pictureId: string | null;
  } | null;
}

/** A zone as it was made: its layers from the plastic up, and what else was done to it. */
export interface MadeZone {
  layers: MadeRow[];
  also: { id: string; at: string; title: string; says: string }[];
}

export function madePage(view: BriefView, zone: string): MadeZone {
  return {
    layers: madeLayers(view, zone),
    also: alsoDone(view, zone).map(({ id, endedAt, title, mixed, paint, note, who }) => ({
      id,
      at: elapsedToLocal(0, view.state.brief.timeZone, endedAt),
      title,
      says: [mixedInWords(mixed) || paint, note, who].filter(Boolean).join(' · '),
    })),
  };
}

function madeLayers(view: BriefView, zone: string): MadeRow[] {
  const chosen = new Map(view.calls.map((call) => [call.code, call.choice?.paint.lab]));
  return madeOf(view, zone).map(
    ({ step, title, what, paint, coats, lostTo, comesOff, isUnwanted, chemistry, code, entry }) => {
      const lab = code && (chosen.get(code) ?? view.official.get(code)?.lab);
      return {
        step,
        title,
        what,
        paint,
        coats,
        lostTo,
        comesOff,
        isUnwanted,
        isAssumed: entry !== null && entry.zones.length === 0,
        chemistry: CHEMISTRIES[chemistry].title,
        hex: lab ? hexOf(lab) : null,
        laid: entry && {
          at: elapsedToLocal(0, view.state.brief.timeZone, entry.endedAt),
          who: entry.who,
          mixed: mixedInWords(entry.mixed) || entry.paint,
          sprayed: entry.sprayed
            ? `${entry.sprayed.pressureBar} bar, ${entry.sprayed.needleMm} mm, ${entry.sprayed.distanceCm} cm`
            : '',
          air: entry.tempC === null || entry.humidity === null ? '' : `${entry.tempC} °C, ${entry.humidity} %`,
          coats: entry.coats,
          note: entry.note,
          pictureId: entry.pictureId,
        },
      };
    },
  );
}
