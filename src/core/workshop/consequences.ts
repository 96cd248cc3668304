import { saidTogether } from '@/core/kit/conflicts';
import { OPTION_CHOICES, optionsFor, type OptionName, type Options } from '@/core/kit/options';
import { isSeen } from '@/core/kit/seen';
import { outlineOf } from '@/core/kept/state';
import type { Outline } from '@/core/outline/outline';
import { machineOf } from '@/core/outline/presets';
import type { RouteStep } from '@/core/work/step';
import type { BriefView } from '@/core/derive/derive';
import { progressOf } from './progress';
import { routeOf } from '@/core/derive/routed';

/** What another choice would do to the build, before it is made. */
export interface Consequence {
  option: OptionName;
  choice: string;
  adds: Pick<RouteStep, 'key' | 'title' | 'minutes'>[];
  removes: Pick<RouteStep, 'key' | 'title' | 'minutes'>[];
  /** More (or less) work, minutes. */
  minutes: number;
  /** Zones that come into sight, and that are hidden, by their titles. */
  shows: string[];
  hides: string[];
  /** Local date-time of the first planned step that it would change; null where none is planned. */
  decideBy: string | null;
  /** Why it cannot be, or what is to be known; the first counts most. */
  says: { never: boolean; says: string }[];
}

/** Every choice that is not the present one, with what it would change: the route is built with it and compared. */
export function consequencesOf(view: BriefView): Consequence[] {
  const { brief, airframe, log } = view.state;
  const machine = machineOf(airframe);
  const progress = progressOf(log);
  const present: Present = {
    steps: new Set(view.route.steps.map(({ key }) => key)),
    minutes: minutesOf(view.route.steps),
    seen: seenIn(view.outline, brief.options),
    says: (options) => saidTogether(options, machine, progress),
  };
  return optionsFor(machine).flatMap((option) =>
    (OPTION_CHOICES[option].choices as readonly string[])
      .filter((choice) => choice !== brief.options[option])
      .map((choice) => consequenceOf(view, present, option, choice)),
  );
}

/** What every choice is compared with. */
interface Present {
  steps: ReadonlySet<string>;
  minutes: number;
  /** Zones that are seen, by key, with their titles. */
  seen: ReadonlyMap<string, string>;
  says: (options: Options) => Consequence['says'];
}

const minutesOf = (steps: readonly RouteStep[]): number => steps.reduce((sum, { minutes }) => sum + minutes, 0);
const seenIn = ({ zones }: Outline, options: Options): Map<string, string> =>
  new Map(zones.filter((zone) => isSeen(zone, options)).map(({ key, title }) => [key, title]));

function consequenceOf(view: BriefView, present: Present, option: OptionName, choice: string): Consequence {
  const { airframe, brief, subjects } = view.state;
  const options = { ...brief.options, [option]: choice } as Options;
  const outline = outlineOf({ airframe, subjects, brief: { ...brief, options } });
  const route = routeOf(view.wanted, outline, options);
  const then = new Set(route.steps.map(({ key }) => key));
  const adds = route.steps.filter(({ key }) => !present.steps.has(key));
  const removes = view.route.steps.filter(({ key }) => !then.has(key));
  const seenThen = seenIn(outline, options);
  // What is added waits for, and what is removed is itself, on the plan that stands.
  const touched = new Set([
    ...removes.map(({ key }) => key),
    ...route.links.filter(({ from }) => !present.steps.has(from)).map(({ to }) => to),
  ]);
  const planned = view.plan.work.filter(({ key }) => touched.has(key));
  return {
    option,
    choice,
    adds: adds.map(brieflyOf),
    removes: removes.map(brieflyOf),
    minutes: minutesOf(route.steps) - present.minutes,
    shows: [...seenThen].flatMap(([key, title]) => (present.seen.has(key) ? [] : [title])),
    hides: [...present.seen].flatMap(([key, title]) => (seenThen.has(key) ? [] : [title])),
    decideBy:
      planned
        .filter(({ done }) => !done)
        .map(({ start }) => start)
        .sort()[0] ?? null,
    says: present.says(options),
  };
}

const brieflyOf = ({ key, title, minutes }: RouteStep) => ({ key, title, minutes });
