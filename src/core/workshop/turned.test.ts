import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { BLANK_LOG_ENTRY, BLANK_SIGHTING } from '@/core/kept/blank';
import type { BriefState } from '@/core/kept/state';
import { addDays } from '@/core/units/day';
import { turnedBetween } from './turned';

const { view: before } = viewOfDemo();
const after = (change: (state: BriefState) => void) => turnedBetween(before, viewOfDemo(change).view);
const saysAt = (turns: ReturnType<typeof after>, at: string) =>
  turns.filter((turn) => turn.at === at).map(({ says }) => says);

/** The main colour of the port fin as other sources have it. */
const FIN = before.questions.find(({ record }) => record.zone === 'fin-port' && record.aspect === 'colour')!;
const saidOfFin = (state: BriefState, value: string, times: number) => {
  const apron = state.sources.find(({ title }) => title.startsWith('Apron'))!;
  for (let i = 0; i < times; i += 1) {
    state.sources.push({ ...apron, id: `more ${i}`, derivedFrom: [], title: `More ${i}` });
    state.sightings.push({
      ...BLANK_SIGHTING,
      id: `said ${i}`,
      version: 1,
      questionId: FIN.record.id,
      sourceId: `more ${i}`,
      value,
    });
  }
};

describe('what a change turns', () => {
  test('is nothing where nothing that others rest on was changed', () => {
    expect(after(() => undefined)).toEqual([]);
    expect(after(({ brief }) => (brief.notes = 'another note'))).toEqual([]);
    expect(after(({ airframe }) => (airframe.unit = 'Another unit'))).toEqual([]);
  });

  test('rulings that no longer stand are named with both shares, and the way back to them', () => {
    const { view: ruled } = viewOfDemo((state) => rulingOfFin(state));
    const { view: turned } = viewOfDemo((state) => {
      rulingOfFin(state);
      saidOfFin(state, 'TCS 60', 6);
    });
    const [first] = turnedBetween(ruled, turned);
    const fin = turned.questions.find(({ record }) => record.id === FIN.record.id)!;
    expect(fin.open).toBe(true);
    expect(first).toMatchObject({ at: 'evidence', questionId: FIN.record.id });
    expect(first!.says).toContain('1 ruling no longer stands');
    expect(first!.says).toContain(
      `${FIN.best} ${fin.ruledShare!.toFixed(2)} against TCS 60 ${fin.bestShare!.toFixed(2)}: look again`,
    );
    // The other way about it stands again.
    expect(turnedBetween(turned, ruled)[0]!.says).toMatch(/^1 ruling stands again: .*TCS/);
  });

  test('what is ruled in the change itself is not held against its builder', () => {
    const { view: ruled } = viewOfDemo((state) => {
      rulingOfFin(state);
      state.rulings.at(-1)!.version = 7;
      state.rulings.at(-1)!.value = 'TCS 60';
    });
    const { view: supported } = viewOfDemo((state) => rulingOfFin(state));
    expect(saysAt(turnedBetween(supported, ruled), 'evidence').filter((says) => says.includes('no longer'))).toEqual(
      [],
    );
  });

  test.each([-900, -200, 200, 900])('a day moved by %i tells exactly the rulings that fell', (days) => {
    const { view } = viewOfDemo(({ airframe }) => {
      airframe.targetFrom = addDays(airframe.targetFrom!, days);
      airframe.targetTo = addDays(airframe.targetTo!, days);
    });
    const then = new Map(before.questions.map((one) => [one.record.id, one]));
    const fallen = view.questions.filter(
      (one) =>
        one.ruling && !one.ruledOpposite && one.hidden === null && one.reopened && !then.get(one.record.id)!.reopened,
    ).length;
    const told = saysAt(turnedBetween(before, view), 'evidence').find((says) => says.includes('no longer'));
    expect(Number(/^(\d+)/.exec(told ?? '0')![1])).toBe(fallen);
  });

  test('another scale: every size on the model in its proportion', () => {
    const { denominator } = before.state.brief;
    const other = denominator === 48 ? 72 : 48;
    const says = saysAt(
      after(({ brief }) => (brief.denominator = other)),
      'markings',
    ).join(' ');
    const { title, heightMm } = before.state.markings[0]!;
    expect(says).toContain(`× ${(denominator / other).toFixed(2)}`);
    expect(says).toContain(`${title} ${(heightMm / denominator).toFixed(1)} → ${(heightMm / other).toFixed(1)} mm`);
  });

  test('a printed marking that fitted and does not any more', () => {
    const fitting = (state: BriefState) => {
      const marking = state.markings[0]!;
      state.markings = [{ ...marking, printedMm: marking.heightMm / state.brief.denominator }];
    };
    const { view: fits } = viewOfDemo(fitting);
    const { view: off } = viewOfDemo((state) => {
      fitting(state);
      state.brief = { ...state.brief, denominator: state.brief.denominator / 2 };
    });
    expect(saysAt(turnedBetween(fits, off), 'markings').join(' ')).toMatch(
      /1 printed marking no longer of the right size: .* is 50 % too small/,
    );
  });

  test('work that is done and has no place any more stands in the log, with its minutes', () => {
    const done = (state: BriefState) => {
      state.log.push({
        ...BLANK_LOG_ENTRY,
        id: 'gear',
        version: 1,
        stepKey: 'build-gear',
        title: 'Build the gear',
        lane: 'Gear, stores',
        plannedMinutes: 60,
        actualMinutes: 90,
        startedAt: '2026-11-21T10:00:00Z',
        endedAt: '2026-11-21T11:30:00Z',
      });
    };
    const { view: built } = viewOfDemo(done);
    const { view: up } = viewOfDemo((state) => {
      done(state);
      state.brief = { ...state.brief, options: { ...state.brief.options, gear: 'up', stand: 'a rod' } };
    });
    const turns = turnedBetween(built, up);
    expect(saysAt(turns, 'log').join(' ')).toMatch(/\(1 h 30 min\).* in the log: .*Build the gear/);
    expect(saysAt(turns, 'evidence').join(' ')).toContain('not asked any more');
  });

  test('a code that is called for no more leaves its paint idle, and one that comes has none', () => {
    const codes = before.calls.filter(({ choice }) => choice);
    const gone = codes[0]!;
    const says = saysAt(
      after((state) => {
        for (const ruling of state.rulings)
          if (gone.code.endsWith(ruling.value) || ruling.value === gone.code)
            Object.assign(ruling, { value: 'TCS 99', basis: 'departure' });
        for (const marking of state.markings) marking.codes = marking.codes.map(() => 'TCS 99');
        state.fields = [];
      }),
      'colours',
    );
    expect(says.join(' ')).toMatch(/TCS 99.*called for and has no paint yet/);
  });

  test('the plan: another day, more or less work, steps that come and go', () => {
    const [plan] = saysAt(
      after(({ brief }) => {
        brief.options = { ...brief.options, weathering: 'none' };
      }),
      'route',
    );
    expect(plan).toMatch(/^The plan: /);
    expect(plan).toMatch(/less work/);
    expect(plan).toMatch(/steps? fewer/);
  });
});

function rulingOfFin(state: BriefState): void {
  state.mirrors = state.mirrors.filter(({ zone }) => zone !== 'fin');
  state.rulings = state.rulings.filter(({ questionId }) => questionId !== FIN.record.id);
  state.rulings.push({
    ...before.state.rulings[0]!,
    id: 'fin',
    questionId: FIN.record.id,
    value: FIN.best!,
    basis: 'supported',
    favoured: FIN.best,
  });
}
