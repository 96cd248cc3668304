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

/** What is to be known of a choice beside all that is chosen. */
export function saidOfChoice({ state }: BriefView, option: OptionName, choice: string): Consequence['says'] {
  const { brief, airframe, log } = state;
  return saidTogether({ ...brief.options, [option]: choice } as Options, machineOf(airframe), progressOf(log));
}

/** Every choice that is not the present one. */
export function otherChoices({ state }: BriefView): { option: OptionName; choice: string }[] {
  return optionsFor(machineOf(state.airframe)).flatMap((option) =>
    (OPTION_CHOICES[option].choices as readonly string[]).flatMap((choice) =>
      choice === state.brief.options[option] ? [] : [{ option, choice }],
    ),
  );
}

const minutesOf = (steps: readonly RouteStep[]): number => steps.reduce((sum, { minutes }) => sum + minutes, 0);
const seenIn = ({ zones }: Outline, options: Options): Map<string, string> =>
  new Map(zones.filter((zone) => isSeen(zone, options)).map(({ key, title }) => [key, title]));

/** What a choice would change: the route is built with it, and compared with the one that stands. */
export function consequenceOf(
  view: BriefView,
  { option, choice }: { option: OptionName; choice: string },
): Consequence {
  const { airframe, brief, subjects } = view.state;
  const options = { ...brief.options, [option]: choice } as Options;
  const outline = outlineOf({ airframe, subjects, brief: { ...brief, options } });
  const route = routeOf(view.wanted, outline, options);
  const now = new Set(view.route.steps.map(({ key }) => key));
  const then = new Set(route.steps.map(({ key }) => key));
  const adds = route.steps.filter(({ key }) => !now.has(key));
  const removes = view.route.steps.filter(({ key }) => !then.has(key));
  const seenNow = seenIn(view.outline, brief.options);
  const seenThen = seenIn(outline, options);
  // What is added waits for, and what is removed is itself, on the plan that stands.
  const touched = new Set([
    ...removes.map(({ key }) => key),
    ...route.links.filter(({ from }) => !now.has(from)).map(({ to }) => to),
  ]);
  const planned = view.plan.work.filter(({ key }) => touched.has(key));
  return {
    option,
    choice,
    adds: adds.map(brieflyOf),
    removes: removes.map(brieflyOf),
    minutes: minutesOf(route.steps) - minutesOf(view.route.steps),
    shows: [...seenThen].flatMap(([key, title]) => (seenNow.has(key) ? [] : [title])),
    hides: [...seenNow].flatMap(([key, title]) => (seenThen.has(key) ? [] : [title])),
    decideBy:
      planned
        .filter(({ done }) => !done)
        .map(({ start }) => start)
        .sort()[0] ?? null,
    says: saidOfChoice(view, option, choice),
  };
}

const brieflyOf = ({ key, title, minutes }: RouteStep) => ({ key, title, minutes });
