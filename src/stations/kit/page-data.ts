import type { BriefView } from '@/core/derive/derive';
import { saidOfChoice } from '@/core/workshop/consequences';
import { dayContradictions } from '@/core/workshop/day-contradictions';
import { heldUpBy } from '@/core/workshop/held-up';
import { leaveIt, type LeaveIt } from '@/core/workshop/leave-it';
import { progressOf } from '@/core/workshop/progress';
import { weatheredThoughClean } from '@/core/workshop/use-said';
import type { Kept } from '@/core/kept/records';
import type { ColourShelf } from '@/core/kept/state';
import { saidTogether } from '@/core/kit/conflicts';
import { compare, rodLength, type Comparison } from '@/core/kit/measuring';
import { choiceSaid, OPTION_CHOICES, optionsFor, type OptionName } from '@/core/kit/options';
import { inBoxOrder, partNumber, replacedNumbers } from '@/core/kit/parts';
import { isWanted } from '@/core/kit/part-work';
import { sightOf, type Sight } from '@/core/kit/seen';
import { figuresOf, type ToolFigures } from '@/core/kit/tools';
import { machineOf } from '@/core/outline/presets';
import { fullDay, shortDay } from '@/ui/dates';
import { counted, listed } from '@/core/units/words';

export interface ChoiceRow {
  value: string;
  /** "gear up" */
  said: string;
  chosen: boolean;
  /** Why it cannot be, beside what else is chosen; '' where it can. */
  cannot: string;
}
export interface OptionRow {
  name: OptionName;
  title: string;
  choices: ChoiceRow[];
}
export interface SoonestChoice {
  title: string;
  /** Local date-time. */
  by: string;
}
export type PartRow = Kept<'part'> & {
  /** "C 12" */
  called: string;
  zoneTitle: string;
  /** The parts that it is used instead of, and that are used instead of it, by their numbers. */
  replaces: string;
  replacedBy: string;
  /** Why it is not wanted, as the options are chosen; '' where it is. */
  unwanted: string;
  /** What has to be done with it. */
  work: string[];
  /** What it holds up, with the day: "Build the gear, Thu 3 Dec"; '' where nothing waits. */
  holdsUp: string;
};

export interface KitPage {
  briefId: string;
  /** Of the brief: what is fetched later is asked for by it. */
  revision: number;
  brief: Kept<'brief'>;
  airframe: Kept<'airframe'>;
  options: OptionRow[];
  /** What is to be known of the choices together. */
  said: string[];
  parts: PartRow[];
  leave: LeaveIt[];
  /** Zones that are not in plain sight, with the reason. */
  sight: { title: string; sight: Sight; because: string }[];
  measures: (Kept<'kit_measure'> & { zoneTitle: string; compared: Comparison })[];
  tools: (Kept<'tool'> & { figures: ToolFigures })[];
  subjects: (Kept<'subject'> & { minutes: number; steps: number; open: number; finish: string | null })[];
  rodMm: number | null;
  zoneDays: (Kept<'zone_day'> & { zoneTitle: string; contradictions: string[] })[];
  zones: { value: string; label: string }[];
  /** Those that are painted with the airframe. */
  outside: { key: string; title: string }[];
  codes: { value: string; label: string }[];
  /** Colours that are not laid with the airbrush, and why. */
  ways: { code: string; name: string; way: string; because: string }[];
}

export function kitPage(view: BriefView, shelf: ColourShelf, revision: number): KitPage {
  const { brief, airframe, parts, measures, subjects, zoneDays, log } = view.state;
  const machine = machineOf(airframe);
  const titles = new Map(view.outline.zones.map(({ key, title }) => [key, title]));
  const zoneTitle = (key: string) => titles.get(key) ?? '';
  const contradictions = dayContradictions(view.state, view.outline, fullDay);
  const subjectOf = new Map(view.outline.zones.map(({ key, subject }) => [key, subject?.name]));
  return {
    briefId: brief.id,
    revision,
    brief,
    airframe,
    options: optionsFor(machine).map((name) => ({
      name,
      title: OPTION_CHOICES[name].title,
      choices: OPTION_CHOICES[name].choices.map((value): ChoiceRow => ({
        value,
        said: choiceSaid(name, value),
        chosen: brief.options[name] === value,
        cannot:
          brief.options[name] === value ? '' : (saidOfChoice(view, name, value).find(({ never }) => never)?.says ?? ''),
      })),
    })),
    said: [
      ...saidTogether(brief.options, machine, progressOf(log)).map(({ says }) => says),
      weatheredThoughClean(view),
    ].filter((says) => says !== null),
    parts: partRows(view, parts, zoneTitle),
    leave: leaveIt(view),
    sight: view.outline.zones.flatMap((zone) => {
      const { sight, because } = sightOf(zone, brief.options);
      return sight === 'plain' ? [] : [{ title: zone.title, sight, because }];
    }),
    measures: measures.map((measure) => ({
      ...measure,
      zoneTitle: zoneTitle(measure.zone),
      compared: compare(measure, brief.denominator),
    })),
    tools: shelf.tools.map((tool) => ({ ...tool, figures: figuresOf(tool) })),
    subjects: subjects.map((subject) => {
      const own = view.plan.work.filter(({ step }) => step.subject === subject.name);
      const steps = view.route.steps.filter((step) => step.subject === subject.name);
      return {
        ...subject,
        steps: steps.length,
        minutes: steps.reduce((sum, { minutes }) => sum + minutes, 0),
        open: view.open.filter(({ zone }) => subjectOf.get(zone) === subject.name).length,
        finish:
          own
            .map(({ end }) => end)
            .sort()
            .at(-1) ?? null,
      };
    }),
    rodMm: brief.rod && rodLength(brief.rod.heightMm, brief.rod.baseMm, brief.rod.angleDeg, brief.rod.socketMm),
    zoneDays: zoneDays.map((own) => ({
      ...own,
      zoneTitle: zoneTitle(own.zone),
      contradictions: contradictions.flatMap(({ zone, says }) => (zone === own.zone ? [says] : [])),
    })),
    outside: view.route.covered.outside.map((key) => ({ key, title: zoneTitle(key) })),
    zones: view.outline.zones.map(({ key, title }) => ({ value: key, label: title })),
    codes: shelf.codes.map(({ code, name }) => ({ value: code, label: `${code} ${name}` })),
    ways: view.calls.flatMap(({ code, official, way, zones }) =>
      way.way === 'airbrush' || zones.length === 0
        ? []
        : [{ code, name: official?.record.name ?? '', way: way.way, because: way.because }],
    ),
  };
}

const MOST_HELD = 2;

/** "only with canopy open" */
const onlyWith = ({ onOption }: Pick<Kept<'part'>, 'onOption'>): string =>
  onOption ? `only with ${OPTION_CHOICES[onOption.option].title.toLowerCase()}: ${onOption.choice}` : '';

function partRows(view: BriefView, parts: readonly Kept<'part'>[], zoneTitle: (key: string) => string): PartRow[] {
  const held = heldUpBy(view.standing.left, view.plan);
  const byId = new Map(parts.map((part) => [part.id, part]));
  const done = new Set(view.plan.work.flatMap(({ key, done: isDone }) => (isDone ? [key] : [])));
  const work = new Map<string, { titles: string[]; holds: Set<string> }>();
  for (const job of view.wanted.parts ?? []) {
    const holds = held.get(job.key)?.holds ?? [];
    for (const id of job.parts) {
      const known = work.get(id) ?? { titles: [], holds: new Set<string>() };
      known.titles.push(done.has(job.key) ? `${job.title} (done)` : job.title);
      for (const { title, start } of holds) known.holds.add(start ? `${title}, ${shortDay(start)}` : title);
      work.set(id, known);
    }
  }
  const users = new Map<string, string[]>();
  for (const part of parts)
    for (const old of part.replacesIds) users.set(old, [...(users.get(old) ?? []), partNumber(part)]);
  return inBoxOrder(parts).map((part) => {
    const own = work.get(part.id);
    const holds = [...(own?.holds ?? [])];
    return {
      ...part,
      called: partNumber(part),
      zoneTitle: zoneTitle(part.zone),
      replaces: replacedNumbers(part, byId).join(', '),
      replacedBy: (users.get(part.id) ?? []).join(', '),
      unwanted: isWanted(part, view.state.brief.options) ? '' : onlyWith(part),
      work: own?.titles ?? [],
      holdsUp:
        holds.length > MOST_HELD
          ? `${listed(holds.slice(0, 1))} and ${counted(holds.length - 1, 'step')} more`
          : listed(holds),
    };
  });
}
