import { saidTogether } from '@/core/kit/conflicts';
import { OPTION_CHOICES, optionsFor, type OptionName, type Options } from '@/core/kit/options';
import { isSeen } from '@/core/kit/seen';
import { outlineOf } from '@/core/kept/state';
import { machineOf } from '@/core/outline/presets';
import type { RouteStep } from '@/core/route/step';
import type { BriefView } from './derive';
import { progressOf } from './progress';
import { routeOf } from './routed';

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
  /** Work that is done and would be lost, minutes. */
  lost: number;
  /** Why it cannot be, or what is to be known; the first counts most. */
  says: { never: boolean; says: string }[];
}

/** Every choice that is not the present one, with what it would change: the route is built with it and compared. */
export function consequencesOf(view: BriefView): Consequence[] {
  const { options } = view.state.brief;
  return optionsFor(machineOf(view.state.airframe.preset)).flatMap((option) =>
    (OPTION_CHOICES[option].choices as readonly string[])
      .filter((choice) => choice !== options[option])
      .map((choice) => consequenceOf(view, option, choice)),
  );
}

function consequenceOf(view: BriefView, option: OptionName, choice: string): Consequence {
  const { airframe, brief, subjects } = view.state;
  const options = { ...brief.options, [option]: choice } as Options;
  const outline = outlineOf({ airframe, subjects, brief: { ...brief, options } });
  const route = routeOf(view.wanted, outline, options);
  const now = new Map(view.route.steps.map((step) => [step.key, step]));
  const then = new Map(route.steps.map((step) => [step.key, step]));
  const adds = route.steps.filter(({ key }) => !now.has(key));
  const removes = view.route.steps.filter(({ key }) => !then.has(key));
  const total = (steps: readonly RouteStep[]) => steps.reduce((sum, { minutes }) => sum + minutes, 0);
  const seenNow = new Map(
    view.outline.zones.filter((zone) => isSeen(zone, brief.options)).map((z) => [z.key, z.title]),
  );
  const seenThen = new Map(outline.zones.filter((zone) => isSeen(zone, options)).map((z) => [z.key, z.title]));
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
    minutes: total(route.steps) - total(view.route.steps),
    shows: [...seenThen].flatMap(([key, title]) => (seenNow.has(key) ? [] : [title])),
    hides: [...seenNow].flatMap(([key, title]) => (seenThen.has(key) ? [] : [title])),
    decideBy:
      planned
        .filter(({ done }) => !done)
        .map(({ start }) => start)
        .sort()[0] ?? null,
    lost: planned.filter(({ done }) => done).reduce((sum, { step }) => sum + step.minutes, 0),
    says: saidTogether(options, machineOf(airframe.preset), progressOf(view.state.log)),
  };
}

const brieflyOf = ({ key, title, minutes }: RouteStep) => ({ key, title, minutes });
