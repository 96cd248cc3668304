import { describe, expect, test } from '@jest/globals';
import { spawnSync } from 'node:child_process';
import { ContractFaults } from '@/core/interchange/contracts/contract';
import { CONTRACTS } from '@/core/interchange/contracts/commands';

const faultsOf = (command: keyof typeof CONTRACTS, input: unknown) => {
  try {
    CONTRACTS[command].run(input);
  } catch (error) {
    if (error instanceof ContractFaults) return error.faults.map((fault) => `${fault.path}: ${fault.says}`);
    throw error;
  }
  return [];
};

describe('difference', () => {
  const run = (pairs: unknown) =>
    CONTRACTS.difference.run({ pairs }) as {
      pairs: { a: { lab: number[]; hex: string; inSrgb: boolean }; dE00: number; says: string; dL: number }[];
    };
  test('any way of stating a colour', () => {
    const { pairs } = run([
      { a: { lab: [50, 2.6772, -79.7751] }, b: { lab: [50, 0, -82.7485] } },
      { a: { hex: '#336699' }, b: { hex: '#336699' } },
      { a: { munsell: 'n 5/' }, b: { lab: [51, 0, 0] } },
      { a: { reflectance: Array(31).fill(0.5) }, b: { lab: [76.07, 0, 0] } },
      { a: { lab: [100, 0, 0], white: 'D50' }, b: { lab: [100, 0, 0] } },
    ]);
    expect(pairs[0]!.dE00).toBeCloseTo(2.0425, 4);
    expect(pairs[1]).toMatchObject({ dE00: 0, says: "can't tell apart", a: { hex: '#336699', inSrgb: true } });
    expect(pairs[2]!.dE00).toBeLessThan(0.2);
    expect(pairs[3]!.dE00).toBeLessThan(0.01);
    expect(pairs[4]!.dE00).toBeLessThan(1e-6);
  });
  test('the uncertainty of both decides what can be told', () => {
    const pair = (sd: number) => run([{ a: { lab: [50, 0, 0], sd }, b: { lab: [53, 0, 0] } }]).pairs[0]!.says;
    expect(pair(0.2)).toBe('a shade lighter');
    expect(pair(2)).toBe("can't tell apart");
  });
  test('each fault names its place', () => {
    expect(faultsOf('difference', { pairs: [{ a: { munsell: '12R 5/5' }, b: { hex: 'red' } }] })).toEqual([
      'pairs[0].a.munsell: the hue number is 12; it runs from 0 to 10',
      'pairs[0].b.hex: must be # and six hexadecimal digits',
    ]);
    expect(faultsOf('difference', { pairs: [{ a: { lab: [50, 0, 0], glow: 1 }, b: {} }] })).toEqual([
      'pairs[0].a.glow: unknown field',
      'pairs[0].b: must state a colour in exactly one way: lab, hex, munsell or reflectance',
    ]);
    expect(
      faultsOf('difference', { pairs: [{ a: { reflectance: Array(30).fill(0.5) }, b: { lab: [150, 0, 0] } }] }),
    ).toHaveLength(2);
    expect(faultsOf('difference', [])).toHaveLength(1);
    expect(faultsOf('difference', { pairs: [], more: 1 })).toEqual(['more: unknown field']);
  });
});

describe('weigh', () => {
  const sources = [
    { id: 'p', kind: 'photograph', from: '1951-05-12', to: '1951-05-12' },
    { id: 'k', kind: 'kit-sheet' },
  ];
  const target = { from: '1951-05-08', to: '1951-05-14' };
  const sighting = { source: 'p', zone: 'fin', aspect: 'colour', value: '27', clarity: 'clear' };
  test('echoes what it assumed, and takes other weights', () => {
    const out = CONTRACTS.weigh.run({
      target,
      sources,
      sightings: [sighting],
      weights: { kind: { photograph: 1 } },
    }) as {
      questions: { contributions: { weight: number }[] }[];
      assumed: { weights: { kind: Record<string, number>; decayDays: number } };
    };
    expect(out.questions[0]!.contributions[0]!.weight).toBe(1);
    expect(out.assumed.weights.kind.manual).toBe(2.5);
    expect(out.assumed.weights.decayDays).toBe(180);
  });
  test('refuses what makes no sense, each with its place', () => {
    const bad = (over: object) => faultsOf('weigh', { target, sources, sightings: [sighting], ...over });
    expect(bad({ target: { from: '1951-05-14', to: '1951-05-08' } })).toEqual([
      'target: the window ends before it starts',
    ]);
    expect(bad({ target: { from: '1951-02-30', to: '1951-05-08' } })[0]).toMatch(
      /^target.from: must be a date that exists/,
    );
    expect(bad({ sightings: [{ ...sighting, source: 'x' }] })).toEqual(['sightings[0].source: there is no source "x"']);
    expect(bad({ sightings: [{ ...sighting, clarity: 'foggy' }] })[0]).toMatch(
      /clarity: must be one of clear, partial, inferred/,
    );
    expect(
      bad({
        sources: [
          { id: 'p', kind: 'photograph', derivedFrom: ['q'] },
          { id: 'q', kind: 'caption', derivedFrom: ['p'] },
        ],
      }),
    ).toEqual(['sources: derivedFrom goes in a circle: p from q from p']);
    expect(bad({ sources: [...sources, sources[0]] })).toEqual(['sources[2].id: "p" is there twice']);
    expect(bad({ sightings: [sighting, { ...sighting, value: 3 }] })[0]).toMatch(/both numbers and text/);
    expect(bad({ weights: { kind: { painting: 1 } } })).toEqual(['weights.kind.painting: unknown field']);
  });
});

describe('schedule', () => {
  const base = {
    format: 'kit-schedule/1',
    id: 'x',
    timeZone: 'Europe/Berlin',
    origin: '2026-01-06T00:00',
    originUtc: '2026-01-05T23:00:00.000Z',
    windows: [{ id: 'w1', start: 1170, end: 1290, startLocal: '2026-01-06T19:30', endLocal: '2026-01-06T21:30' }],
    boothWindows: [{ start: 1170, end: 1290, startLocal: '2026-01-06T19:30', endLocal: '2026-01-06T21:30' }],
    steps: [
      {
        id: 's1',
        title: 'base coat',
        minutes: 35,
        splittable: false,
        colour: 'c1',
        needsBooth: true,
        zones: ['wing-upper-port'],
      },
    ],
    links: [],
    splitRule: 'window-end',
    airbrush: { initial: 'clean', resetEachWindow: false, colours: [{ id: 'c1' }], cleanOut: { clean: { c1: 3 } } },
    now: null,
    actuals: [],
  };
  test('the example of the contract', () => {
    expect(CONTRACTS.schedule.run(base)).toMatchObject({
      feasible: true,
      steps: [{ id: 's1', segments: [[1173, 1208]] }],
      finish: 1208,
      finishLocal: '2026-01-06T20:08',
      loads: 1,
      sessions: 1,
      proven: true,
    });
  });
  test('times that disagree, circles and unknown names are refused', () => {
    expect(faultsOf('schedule', { ...base, originUtc: '2026-01-06T00:00:00.000Z' })[0]).toMatch(/^originUtc/);
    expect(
      faultsOf('schedule', { ...base, windows: [{ ...base.windows[0], startLocal: '2026-01-06T19:31' }] })[0],
    ).toMatch(/^windows\[0\].startLocal/);
    expect(faultsOf('schedule', { ...base, links: [{ from: 's1', to: 's9', minLag: 0, maxLag: null }] })).toEqual([
      'links[0].to: there is no step "s9"',
    ]);
    const two = {
      ...base,
      steps: [...base.steps, { ...base.steps[0], id: 's2' }],
      links: [
        { from: 's1', to: 's2', minLag: 0, maxLag: null },
        { from: 's2', to: 's1', minLag: 0, maxLag: null },
      ],
    };
    expect(faultsOf('schedule', two)).toEqual(['links: these steps wait for one another in a circle: s1, s2']);
    expect(faultsOf('schedule', { ...base, timeZone: 'Mars/Base' })[0]).toMatch(/timeZone/);
  });
  test('what cannot be done says why and keeps what could be placed', () => {
    const long = {
      ...base,
      steps: [...base.steps, { id: 's2', minutes: 200, splittable: false, colour: null, needsBooth: false }],
    };
    expect(CONTRACTS.schedule.run(long)).toMatchObject({
      feasible: false,
      because: [{ says: 's2 needs at least 200 minutes in one session; the longest is 120' }],
      partial: { steps: [{ id: 's1' }] },
    });
  });
});

describe('rework', () => {
  const stack = {
    nose: [
      { step: 'p', what: 'primer', chemistry: 'AL', recipe: 'grey primer', minutes: 20, coats: 1, done: true },
      { step: 'c', what: 'colour', chemistry: 'WA', recipe: '4 : 1 green', minutes: 40, coats: 2, done: true },
      { step: 'w', what: 'wash', chemistry: 'EW', recipe: 'dark', minutes: 30, coats: 1, done: false },
    ],
  };
  test('lost layers come back as logged; what is not done stays with the route', () => {
    const out = CONTRACTS.rework.run({
      stack,
      mishap: { kind: 'glue', zones: ['nose'], down: 'primer' },
      masks: [],
    }) as {
      steps: { do: string; again: string | null; recipe: string | null }[];
      lost: { step: string }[];
    };
    expect(out.lost.map(({ step }) => step)).toEqual(['c']);
    expect(out.steps.map((step) => [step.do, step.again, step.recipe])).toEqual([
      ['repair', null, null],
      ['spray', 'c', '4 : 1 green'],
    ]);
  });
  test('a zone without a stack, an unknown depth and a nameless layer are named', () => {
    const faults = (input: unknown) => {
      try {
        CONTRACTS.rework.run(input);
      } catch (error) {
        return (error as Error).message;
      }
      return '';
    };
    const mishap = { kind: 'glue', zones: ['fin'], down: 'primer' };
    expect(faults({ stack, mishap, masks: [] })).toBe('mishap.zones[0]: "fin" is not in the stack');
    expect(faults({ stack, mishap: { ...mishap, down: 'deep' }, masks: [] })).toContain('mishap.down: must be one of');
    expect(faults({ stack: { nose: [{ ...stack.nose[0], step: '' }] }, mishap, masks: [] })).toContain(
      'stack.nose[0].step',
    );
  });
});

describe('the command line', () => {
  const run = (command: string, input: string) =>
    spawnSync('npx', ['tsx', 'scripts/core.ts', command], { input, encoding: 'utf8' });
  test('one JSON object out and exit 0; the same input gives the same bytes', () => {
    const input = JSON.stringify({ pairs: [{ a: { hex: '#000000' }, b: { hex: '#ffffff' } }] });
    const [one, two] = [run('difference', input), run('difference', input)];
    expect(one.status).toBe(0);
    expect(JSON.parse(one.stdout).pairs[0].dL).toBeCloseTo(100, 6);
    expect(two.stdout).toBe(one.stdout);
  }, 30_000);
  test('faults go to standard error, a line each, with exit 2 and nothing on standard output', () => {
    for (const [command, input, says] of [
      ['difference', '{', 'input: not valid JSON'],
      ['nonsense', '{}', 'command: there is no "nonsense"'],
      ['weigh', '{}', 'target: must be a window'],
    ] as const) {
      const result = run(command, input);
      expect(result.status).toBe(2);
      expect(result.stdout).toBe('');
      expect(result.stderr).toContain(says);
      expect(result.stderr).not.toMatch(/\n\s+at /);
    }
  }, 60_000);
});
