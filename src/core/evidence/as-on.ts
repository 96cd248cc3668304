import { addDays, type Day } from '@/core/units/day';
import type { Window } from './date-fit';
import { epochOf, type PaintEvent } from './events';
import { layersOn, type Layer } from './layers';
import { weigh, type QuestionState, type WeighedSighting, type WeighedSource } from './weigh';
import { bestNamed } from './best';
import type { Weights } from './weights';

/** All that decides which colour a zone wore on which day. */
export interface ColourHistory {
  /** The days the rulings are about. */
  target: Window;
  sources: readonly WeighedSource[];
  events: readonly PaintEvent[];
  /** Of the aspect colour only. */
  sightings: readonly WeighedSighting[];
  rulings: readonly { zone: string; value: string }[];
  zones: readonly string[];
  weights: Weights;
}

/** What is known of a zone's colour on one day, and from what. */
export interface ColourOnDay {
  value: string | null;
  from: 'ruling' | 'event' | 'evidence' | 'nothing';
  state: QuestionState;
}

/**
 * The colour of every zone on a day. A ruling holds as long as the zone was not repainted between that day and the target;
 * else what a repaint laid, where it says; else the evidence weighed for that very day.
 */
export function coloursOn(history: ColourHistory, day: Day): Map<string, ColourOnDay> {
  const { events, sources, sightings, zones } = history;
  const repaints = events.filter((event) => event.kind === 'repaint').map(({ zone, onDay }) => ({ zone, on: onDay }));
  const weighed = new Map(
    weigh({ target: { from: day, to: day }, sources, repaints, sightings }, history.weights).map((question) => [
      question.zone,
      question,
    ]),
  );
  const rulings = new Map(history.rulings.map(({ zone, value }) => [zone, value]));
  const targetDay = history.target.from ?? history.target.to;
  return new Map(
    zones.map((zone): [string, ColourOnDay] => {
      const epoch = epochOf(events, zone, day);
      const ruled = rulings.get(zone);
      const sameCoat = !targetDay || ((!epoch.from || targetDay >= epoch.from) && (!epoch.to || targetDay <= epoch.to));
      if (ruled !== undefined && sameCoat) return [zone, { value: ruled, from: 'ruling', state: 'settled' }];
      const laid = events.find(
        (event) => event.zone === zone && event.kind === 'repaint' && event.onDay === epoch.from,
      );
      if (laid?.value) return [zone, { value: laid.value, from: 'event', state: 'settled' }];
      const question = weighed.get(zone);
      const best = question ? bestNamed(question) : null;
      return best
        ? [zone, { value: best.value, from: 'evidence', state: question!.state }]
        : [zone, { value: null, from: 'nothing', state: 'unseen' }];
    }),
  );
}

/**
 * Everything that lies on a zone on a day, bottom to top, its first coat by the evidence for the day before its first repaint: see
 * `layersOn`.
 */
export function layersAsOn(history: ColourHistory, zone: string, day: Day): Layer[] {
  const first = history.events
    .filter((event) => event.zone === zone && event.kind === 'repaint')
    .map((event) => event.onDay)
    .sort()[0];
  const before = first && first <= day ? addDays(first, -1) : day;
  return layersOn(history.events, zone, day, coloursOn({ ...history, zones: [zone] }, before).get(zone)!.value);
}

/** Whether something that was put on a zone shows on a day, judged by additions and overpaints of its name. */
export function showsOn(events: readonly PaintEvent[], zone: string, name: string, day: Day): boolean {
  const about = events
    .filter((event) => event.zone === zone && event.value.toLowerCase() === name.toLowerCase())
    .sort((a, b) => a.onDay.localeCompare(b.onDay));
  const last = about.findLast((event) => event.onDay <= day);
  if (last) return last.kind === 'addition';
  // Nothing about it yet: it was there from the start only if the first that is known of it is its end.
  return about[0]?.kind !== 'addition';
}
