import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyBrief, DEMO } from '@tests/support/any-brief';
import { numbers } from '@tests/support/made-up';
import { earliest, type Answer } from '@tests/support/route-rules';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import { CONTRACTS } from '@/core/interchange/contracts/commands';
import { briefFileSchema, stateOfFile, toBriefFile, type BriefFile } from '@/core/interchange/brief-file';
import { shelfOfFile } from '@/core/interchange/shelf-of-file';

/** What `route` owes every brief with a log: what was laid lies there, and only what is lacking is planned. */

const NOW = '2026-11-23T18:00';
type Entry = BriefFile['log'][number];
type Step = LaidAnswer['steps'][number];
interface LaidLayer {
  entry: number;
  step: string;
  what: string;
  code: string | null;
  paint: string;
  chemistry: string;
  coats: number;
  endedAt: string;
  assumed: boolean;
  goneBy: number | null;
}
interface LaidAnswer extends Omit<Answer, 'steps' | 'stacks'> {
  steps: (Answer['steps'][number] & {
    lane: string;
    done: string[];
    toDo: string[];
    finished: boolean;
    minutesLeft: number;
  })[];
  laid: Record<string, LaidLayer[]>;
  stacks: Record<string, { step: string; what: string; code: string | null; laid: boolean; entry: number | null }[]>;
  taped: Record<string, { since: string; entry: number; until: string }>;
}
const run = (brief: BriefFile): LaidAnswer => CONTRACTS.route.run({ brief, now: NOW }) as LaidAnswer;

const MINUTE = 60_000;
const BEGUN = Date.parse('2026-05-01T18:00:00Z');
const at = (i: number) => new Date(BEGUN + i * 60 * MINUTE).toISOString();

/** An entry for a step on some of its zones, the i-th of the log. */
const entryFor = (step: Step, zones: readonly string[], i: number): Entry => ({
  ...BLANK_LOG_ENTRY,
  stepKey: step.key,
  stepKind: step.kind as Entry['stepKind'],
  what: (step.layer?.what ?? '') as Entry['what'],
  title: step.title,
  lane: step.lane,
  zones: [...zones],
  code: step.layer?.code ?? '',
  chemistry: step.layer?.chemistry ?? '',
  paint: `paint of ${step.key}`.slice(0, 200),
  coats: step.layer ? 2 : null,
  plannedMinutes: step.minutes,
  actualMinutes: Math.max(1, step.minutes),
  startedAt: at(i),
  endedAt: at(i + 0.5),
});

/** The steps in an order in which they can be done. */
const inTurn = (answer: LaidAnswer): Step[] => {
  const starts = earliest(answer);
  return [...answer.steps].sort((a, b) => starts.get(a.key)! - starts.get(b.key)! || a.key.localeCompare(b.key));
};

/** A log of the first steps, each on some of its zones; a third of them on all. */
function anyLog(file: BriefFile, seed: number): Entry[] {
  const next = numbers(seed);
  const steps = inTurn(run(file)).filter(({ open }) => !open);
  return steps.slice(0, Math.floor((0.2 + 0.75 * next()) * steps.length)).map((step, i) => {
    const some = next() < 0.35 ? step.zones : step.zones.filter(() => next() < 0.6);
    return entryFor(step, some.length > 0 ? some : step.zones, i);
  });
}

const BRIEFS = [{ ...DEMO, log: [], mishaps: [] }, ...fc.sample(anyBrief, { seed: 20261130, numRuns: 5 })];
const LOGGED = BRIEFS.map((file, i): BriefFile => ({ ...file, log: anyLog({ ...file, log: [] }, 77 + i) }));
const ANSWERS = LOGGED.map((file) => ({ file, answer: run(file) }));
const factsOf = (answer: LaidAnswer) =>
  Object.fromEntries(
    Object.entries(answer.laid).map(([zone, layers]) => [
      zone,
      layers.map(({ entry, what, code, paint, chemistry, coats, goneBy }) =>
        [entry, what, code, paint, chemistry, coats, goneBy].join(),
      ),
    ]),
  );

describe('a log of parts of steps', () => {
  test('lays what it says on the zones that it names, in the order of time', () => {
    for (const { file, answer } of ANSWERS) {
      const said = file.log.flatMap((entry, i) => (entry.what ? entry.zones.map((zone) => `${zone} ${i}`) : []));
      const lies = Object.entries(answer.laid).flatMap(([zone, layers]) =>
        layers.map(({ entry }) => `${zone} ${entry}`),
      );
      expect(lies.sort()).toEqual(said.sort());
      for (const layers of Object.values(answer.laid))
        expect(layers.map(({ endedAt }) => endedAt)).toEqual(layers.map(({ endedAt }) => endedAt).sort());
    }
  });

  test('leaves each step to do on its other zones, with their share of the minutes', () => {
    for (const { file, answer } of ANSWERS)
      for (const step of answer.steps) {
        const done = new Set(file.log.flatMap(({ stepKey, zones }) => (stepKey === step.key ? zones : [])));
        for (const zone of step.zones) expect([...step.done, ...step.toDo]).toContain(zone);
        for (const zone of done) expect([step.key, step.done]).toEqual([step.key, expect.arrayContaining([zone])]);
        if (step.layer) expect([step.key, step.toDo]).toEqual([step.key, step.zones.filter((zone) => !done.has(zone))]);
        expect(step.finished ? step.minutesLeft : step.minutesLeft > 0).toBe(step.finished ? 0 : true);
        if (step.toDo.length > 0) {
          expect(step.minutesLeft).toBeGreaterThanOrEqual(Math.min(step.minutes / 4, 10));
          expect(step.minutesLeft).toBeLessThanOrEqual(step.minutes);
        }
      }
  });

  test('lies at the bottom of each stack, what is planned over it', () => {
    for (const { answer } of ANSWERS)
      for (const [zone, stack] of Object.entries(answer.stacks)) {
        const firstPlanned = stack.findIndex(({ laid }) => !laid);
        if (firstPlanned >= 0) expect(stack.slice(firstPlanned).every(({ laid }) => !laid)).toBe(true);
        expect(stack.filter(({ laid }) => laid).map(({ entry }) => entry)).toEqual(
          (answer.laid[zone] ?? []).map(({ entry }) => entry),
        );
      }
  });

  test('has no tape on without the last moment at which it comes off', () => {
    for (const { file, answer } of ANSWERS)
      for (const { since, entry, until } of Object.values(answer.taped)) {
        expect(file.log[entry]!.endedAt).toBe(since);
        expect(until > since).toBe(true);
      }
    expect(ANSWERS.some(({ answer }) => Object.keys(answer.taped).length > 0)).toBe(true);
  });

  test('comes back from a file as it was', () => {
    for (const { file, answer } of ANSWERS) {
      const shelf = shelfOfFile(file);
      const again = run(briefFileSchema.parse(toBriefFile(stateOfFile(file, shelf), shelf, [])) as BriefFile);
      expect(factsOf(again)).toEqual(factsOf(answer));
      expect(again.stacks).toEqual(answer.stacks);
      expect(again.steps.map(({ key, toDo }) => [key, toDo])).toEqual(answer.steps.map(({ key, toDo }) => [key, toDo]));
    }
  });
});

describe('whatever is decided afterwards', () => {
  const changed: [string, (file: BriefFile) => BriefFile][] = [
    [
      'other rulings',
      (file) => ({ ...file, rulings: file.rulings.map((own) => ({ ...own, value: DEMO.rulings[0]!.value })) }),
    ],
    ['no rulings', (file) => ({ ...file, rulings: [] })],
    ['no paints', (file) => ({ ...file, choices: [] })],
    ['no markings', (file) => ({ ...file, markings: [] })],
    [
      'another school',
      (file) => ({
        ...file,
        brief: { ...file.brief, options: { ...file.brief.options, tonal: 'plain', priming: 'paint as primer' } },
      }),
    ],
    [
      'other names',
      (file) => ({ ...file, markings: file.markings.map((own) => ({ ...own, title: `${own.title} anew` })) }),
    ],
    ['other fields', (file) => ({ ...file, fields: [] })],
  ];
  test.each(changed)('%s: what was laid lies there', (_, change) => {
    for (const { file, answer } of ANSWERS) {
      const after = briefFileSchema.safeParse(change(file));
      if (after.success) expect(factsOf(run(after.data))).toEqual(factsOf(answer));
    }
  });
  test('names decide nothing', () => {
    for (const { file, answer } of ANSWERS) {
      const renamed = {
        ...file,
        markings: file.markings.map((own, i) => ({ ...own, title: `mark ${i}` })),
        subjects: file.subjects.map((own, i) => ({ ...own, title: `thing ${i}` })),
        sources: file.sources.map((own, i) => ({ ...own, title: `source ${i}` })),
      };
      const after = run(renamed);
      expect(after.steps.map(({ key }) => key)).toEqual(answer.steps.map(({ key }) => key));
      expect(after.stacks).toEqual(answer.stacks);
    }
  });
});

describe('a build that is finished', () => {
  test('carries on every zone what is wanted, and has nothing left to do', () => {
    for (const { file } of ANSWERS) {
      let log = file.log;
      let answer = run(file);
      for (let round = 0; round < 3 && answer.steps.some(({ finished }) => !finished); round += 1) {
        const first = log.length;
        log = [
          ...log,
          ...inTurn(answer)
            .filter(({ finished }) => !finished)
            .map((step, i) => entryFor(step, step.toDo, first + i)),
        ];
        answer = run({ ...file, log });
      }
      expect(answer.steps.filter(({ finished }) => !finished).map(({ key, toDo }) => [key, toDo])).toEqual([]);
      for (const step of answer.steps)
        for (const zone of step.layer ? step.zones : [])
          expect([
            step.key,
            zone,
            answer.laid[zone]!.some(
              ({ what, code, goneBy }) => what === step.layer!.what && code === step.layer!.code && goneBy === null,
            ),
          ]).toEqual([step.key, zone, true]);
    }
  });
});
