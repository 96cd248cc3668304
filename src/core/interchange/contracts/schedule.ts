import { z } from 'zod';
import { agrees, elapsedToLocal, isTimeZone } from '@/core/route/calendar';
import { waitingCircle } from '@/core/route/schedule/network';
import type { Span } from '@/core/route/schedule/problem';
import { schedule as layOut, type Aims } from '@/core/route/schedule/schedule';
import { ContractFaults, finite, parseInput, text, type Contract, type Fault } from './contract';

const whole = finite.int('must be a whole number');
const minutes = whole.min(0, 'is never below 0');
const local = z
  .string({ error: 'must be a local date-time YYYY-MM-DDTHH:MM' })
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'must be a local date-time YYYY-MM-DDTHH:MM')
  .refine((value) => !Number.isNaN(Date.parse(`${value}:00Z`)), 'must be a date-time that exists');
const span = { start: whole, end: whole };
const forwards = { check: (s: { start: number; end: number }) => s.end > s.start, says: 'must end after it starts' };

const input = z.strictObject(
  {
    format: z.literal('kit-schedule/1', { error: 'must be "kit-schedule/1"' }),
    id: text,
    title: z.string().optional(),
    timeZone: z.string({ error: 'must be an IANA time zone' }).refine(isTimeZone, 'is no known IANA time zone'),
    origin: local,
    originUtc: z
      .string({ error: 'must be an instant in UTC' })
      .refine(
        (value) => /Z$/.test(value) && !Number.isNaN(Date.parse(value)),
        'must be an instant in UTC, such as 2026-01-05T23:00:00.000Z',
      ),
    objective: z.enum(['date', 'minute'], { error: 'must be "date" or "minute"' }).default('date'),
    limitMs: finite.positive('must be above 0').default(2000),
    windows: z.array(
      z
        .strictObject({ id: text, title: z.string().optional(), ...span, startLocal: local, endLocal: local })
        .refine(forwards.check, forwards.says),
      { error: 'must be a list of sessions' },
    ),
    boothWindows: z.array(
      z
        .strictObject({
          id: text.optional(),
          title: z.string().optional(),
          ...span,
          startLocal: local,
          endLocal: local,
        })
        .refine(forwards.check, forwards.says),
      { error: 'must be a list of spans' },
    ),
    steps: z.array(
      z.strictObject({
        id: text,
        title: z.string().optional(),
        minutes: whole.min(1, 'must be at least 1'),
        splittable: z.boolean({ error: 'must be true or false' }),
        colour: text.nullable(),
        needsBooth: z.boolean({ error: 'must be true or false' }),
        zones: z.array(text).optional(),
        notBefore: minutes.nullable().optional(),
      }),
      { error: 'must be a list of steps' },
    ),
    links: z.array(z.strictObject({ from: text, to: text, minLag: minutes, maxLag: minutes.nullable() }), {
      error: 'must be a list of links',
    }),
    splitRule: z.literal('window-end', { error: 'must be "window-end"' }),
    airbrush: z.strictObject(
      {
        initial: text,
        resetEachWindow: z.boolean({ error: 'must be true or false' }),
        colours: z.array(z.strictObject({ id: text, title: z.string().optional() }), {
          error: 'must be a list of colours',
        }),
        cleanOut: z.record(z.string(), z.record(z.string(), minutes), { error: 'must be a table of minutes' }),
      },
      { error: 'must be the airbrush' },
    ),
    now: whole.nullable(),
    actuals: z.array(z.strictObject({ id: text, ...span }).refine(forwards.check, forwards.says), {
      error: 'must be a list of what is done',
    }),
  },
  { error: 'must be an object of format kit-schedule/1' },
);
type Input = z.infer<typeof input>;

/** What a millisecond of the limit stands for: effort is counted in placements, so that every machine gives the same answer. */
const PLACEMENTS_PER_MS = 60;

/** `schedule`: the route laid over the sessions. */
export const schedule: Contract = {
  run(raw) {
    const given = parseInput(input, raw);
    const faults = faultsBetween(given);
    if (faults.length > 0) throw new ContractFaults(faults);
    const localOf = (elapsed: number) => elapsedToLocal(elapsed, given.timeZone, given.originUtc);
    const dayOf = (elapsed: number) => Number(localOf(elapsed).slice(0, 10).replaceAll('-', ''));
    const aims: Aims =
      given.objective === 'date'
        ? (finish, loads, sessions) => [dayOf(finish), loads, sessions, finish]
        : (finish, loads, sessions) => [finish, loads, sessions];
    const assumed = { objective: given.objective, limitMs: given.limitMs, cleanOutNotListed: 0 };
    if (given.steps.length === 0) {
      const at = given.now ?? 0;
      return {
        feasible: true,
        steps: [],
        finish: at,
        finishLocal: localOf(at),
        loads: 0,
        sessions: 0,
        lowerBound: at,
        lowerBoundLocal: localOf(at),
        proven: true,
        holding: [],
        assumed,
      };
    }
    const plan = layOut(
      { ...given, boothWindows: merged(given.boothWindows) },
      aims,
      Math.ceil(given.limitMs * PLACEMENTS_PER_MS),
    );
    if (!plan.feasible) return { feasible: false, because: plan.because, partial: { steps: plan.partial }, assumed };
    const proven =
      given.objective === 'date' ? dayOf(plan.lowerBound) === dayOf(plan.finish) : plan.lowerBound === plan.finish;
    return {
      feasible: true,
      steps: plan.steps,
      finish: plan.finish,
      finishLocal: localOf(plan.finish),
      loads: plan.loads,
      sessions: plan.sessions,
      lowerBound: plan.lowerBound,
      lowerBoundLocal: localOf(plan.lowerBound),
      proven,
      holding: plan.holding,
      ...(plan.broken.length > 0
        ? {
            broken: plan.broken.map(({ from, to, maxLag }) => ({
              links: [[from, to]],
              says: `the greatest wait of ${maxLag} minutes was already over`,
            })),
          }
        : {}),
      assumed,
    };
  },
};

function faultsBetween(given: Input): Fault[] {
  const faults: Fault[] = [];
  const fault = (path: string, says: string) => faults.push({ path, says });
  if (!agrees(0, given.origin, given.timeZone, given.originUtc))
    fault('originUtc', `is not ${given.origin} in ${given.timeZone}`);
  for (const name of ['windows', 'boothWindows'] as const) {
    const list = given[name];
    list.forEach((window, i) => {
      for (const end of ['start', 'end'] as const) {
        if (!agrees(window[end], window[`${end}Local`], given.timeZone, given.originUtc)) {
          fault(
            `${name}[${i}].${end}Local`,
            `${window[`${end}Local`]} is not ${window[end]} minutes after the origin, which is ${elapsedToLocal(window[end], given.timeZone, given.originUtc)}`,
          );
        }
      }
      const next = list[i + 1];
      if (name === 'windows' && next && next.start <= window.end)
        fault(`windows[${i + 1}].start`, 'sessions must be in order, apart from one another');
    });
  }
  unique(given.windows, 'windows', fault);
  unique(given.steps, 'steps', fault);
  unique(given.airbrush.colours, 'airbrush.colours', fault);
  unique(given.actuals, 'actuals', fault);

  const colours = new Set(given.airbrush.colours.map((colour) => colour.id));
  const states = new Set([...colours, 'clean']);
  if (!states.has(given.airbrush.initial)) fault('airbrush.initial', `there is no colour "${given.airbrush.initial}"`);
  for (const [from, row] of Object.entries(given.airbrush.cleanOut)) {
    if (!states.has(from)) fault(`airbrush.cleanOut.${from}`, `there is no colour "${from}"`);
    for (const to of Object.keys(row))
      if (!states.has(to)) fault(`airbrush.cleanOut.${from}.${to}`, `there is no colour "${to}"`);
  }
  const ids = new Set(given.steps.map((step) => step.id));
  given.steps.forEach((step, i) => {
    if (step.colour !== null && !colours.has(step.colour))
      fault(`steps[${i}].colour`, `there is no colour "${step.colour}"`);
    if (step.splittable && (step.colour !== null || step.needsBooth))
      fault(`steps[${i}].splittable`, 'a step that sprays or needs the booth cannot be split');
  });
  given.links.forEach((link, i) => {
    for (const end of ['from', 'to'] as const)
      if (!ids.has(link[end])) fault(`links[${i}].${end}`, `there is no step "${link[end]}"`);
    if (link.from === link.to) fault(`links[${i}]`, 'a step cannot wait for itself');
    if (link.maxLag !== null && link.maxLag < link.minLag)
      fault(`links[${i}].maxLag`, 'the greatest wait is shorter than the least');
  });
  given.actuals.forEach((actual, i) => {
    if (!ids.has(actual.id)) fault(`actuals[${i}].id`, `there is no step "${actual.id}"`);
  });
  if (faults.length === 0) {
    const circle = waitingCircle(given);
    if (circle) fault('links', `these steps wait for one another in a circle: ${circle.join(', ')}`);
  }
  return faults;
}

/** Booth windows in order, those that touch or overlap as one. */
function merged(spans: readonly Span[]): Span[] {
  const inOrder = [...spans].sort((a, b) => a.start - b.start);
  return inOrder.reduce<Span[]>((list, { start, end }) => {
    const last = list.at(-1);
    if (last && start <= last.end) last.end = Math.max(last.end, end);
    else list.push({ start, end });
    return list;
  }, []);
}

function unique(list: readonly { id: string }[], name: string, fault: (path: string, says: string) => void) {
  const seen = new Set<string>();
  list.forEach(({ id }, i) => {
    if (seen.has(id)) fault(`${name}[${i}].id`, `"${id}" is there twice`);
    seen.add(id);
  });
}
