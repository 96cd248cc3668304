import { BLANK_LAYING } from '@/core/kept/blank';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import { describe, expect, test } from '@jest/globals';
import { dunlin } from '@demo/dunlin';
import { tonightOf } from '@/core/bench/tonight';
import { briefFileSchema, stateOfFile } from '@/core/interchange/brief-file';
import { matchSingle } from '@/core/match/single';
import { chipOf, codeOf, paintOf } from '@tests/support/paints';
import { deriveBrief } from './derive';
import { certaintyOf } from '@/core/workshop/certainty';
import type { BriefState, ColourShelf } from '@/core/kept/state';

const nowUtc = '2026-11-23T12:00:00Z';
const paint = paintOf({
  id: 'paint-1',
  line: 'Line',
  name: 'Green',
  chemistry: 'AL',
  lab: [36.5, -9, 13],
  ownedMl: 4,
});
const shelf: ColourShelf = {
  systems: [],
  relations: [],
  codes: [
    codeOf({ id: 'code-31', code: 'TCS 31', name: 'Fen green' }),
    codeOf({ id: 'code-14', code: 'TCS 14', name: 'Sleet' }),
  ],
  chips: [chipOf({ codeId: 'code-31', lab: [36, -9, 13] })],
  sets: [],
  tools: [],
  techniques: [],
  house: [],
  decalSheets: [],
  paints: [paint],
};
const demo = () => stateOfFile(briefFileSchema.parse(dunlin('2026-11-10').file), shelf);
const derive = (state: BriefState) => deriveBrief(state, shelf, { nowUtc, effort: 0 });

describe('what follows from a brief', () => {
  test('rulings on colour make calls, by code, with their zones', () => {
    const { calls } = derive(demo());
    const green = calls.find((call) => call.code === 'TCS 31')!;
    expect(green.zones).toContain('cowling-port');
    expect(green.official!.lab).toEqual([36, -9, 13]);
    expect(calls.find((call) => call.code === 'TCS 14')!.official!.lab).toBeNull();
    expect(calls.map((call) => call.code)).not.toContain('TCS 12');
  });

  test('a code written carelessly is the same call', () => {
    const state = demo();
    const first = state.rulings.find((ruling) => ruling.value === 'TCS 31')!;
    first.value = ' tcs-31';
    expect(derive(state).calls.filter((call) => call.code.includes('31'))).toHaveLength(1);
  });

  test('a chosen paint gives the step its chemistry and the wait that follows', () => {
    const without = derive(demo());
    const state = demo();
    state.choices = [{ ...BLANK_LAYING, id: 'c', version: 1, codeId: 'code-31', paintId: 'paint-1', recipeId: null }];
    const withPaint = derive(state);
    const step = (view: typeof without) => view.route.steps.find((item) => item.key === 'spray:TCS 31')!;
    expect(step(without).load!.chemistry).toBe('WA');
    expect(step(without).why).toMatch(/no paint chosen yet/);
    expect(step(withPaint).load!.chemistry).toBe('AL');
    expect(
      matchSingle({ lab: [36, -9, 13], sd: 0.4, code: 'TCS 31', finish: 'matt', kind: 'solid' }, shelf.paints)[0]!.paint
        .id,
    ).toBe('paint-1');
  });

  test('open questions stand at the gate that they threaten, the most worthwhile first in the chase', () => {
    const { gates, chase } = derive(demo());
    expect(gates.find((gate) => gate.name === 'fuselage')!.open.map(({ zone }) => zone)).toEqual(['well-nose']);
    expect(gates.find((gate) => gate.name === 'seal')!.open.map(({ zone }) => zone)).toEqual([
      'fuselage-rear-starboard',
    ]);
    expect(chase[0]!.question.record.zone).toBe('well-nose');
    expect(chase.map(({ score }) => score)).toEqual(chase.map(({ score }) => score).sort((x, y) => y - x));
  });

  test('ruling the last question of a zone settles it on the sheet', () => {
    const view = derive(demo());
    expect(certaintyOf(view.questions, 'fin-starboard')).toBe('contested');
    expect(certaintyOf(view.questions, 'cowling-port')).toBe('settled');
    expect(certaintyOf(view.questions, 'propeller-of-nobody')).toBe('unasked');
  });

  test('a later sighting that flips a supported ruling reopens it, and a choice too once it is settled; a departure stays', () => {
    const state = demo();
    const question = state.questions.find((q) => q.zone === 'fuselage-mid-port' && q.aspect === 'colour')!;
    const photo = state.sources.filter((s) => s.kind === 'photograph').slice(0, 5);
    state.sightings.push(
      ...photo.map((source, i) => ({
        id: `new${i}`,
        version: 1,
        questionId: question.id,
        sourceId: source.id,
        value: 'TCS 21',
        sd: null,
        clarity: 'clear' as const,
        sense: 'for' as const,
        note: '',
        marks: null,
      })),
    );
    expect(derive(state).questions.find((q) => q.record.id === question.id)).toMatchObject({
      reopened: true,
      open: true,
      best: 'TCS 21',
    });
    const withBasis = (basis: 'choice' | 'departure') => {
      state.rulings = state.rulings.map((ruling) =>
        ruling.questionId === question.id ? { ...ruling, basis } : ruling,
      );
      return derive(state).questions.find((q) => q.record.id === question.id)!;
    };
    // A choice was made because nothing decided: now something has. A departure is made knowing it.
    expect(withBasis('choice')).toMatchObject({ reopened: true, open: true });
    expect(withBasis('departure')).toMatchObject({ reopened: false, open: false });
  });

  test('measured sizes become a median with its spread', () => {
    const size = derive(demo()).questions.find((q) => q.record.aspect === 'size')!;
    expect(size.weighed.state).toBe('measured');
    expect(Number(size.best)).toBeGreaterThan(405);
    expect(Number(size.best)).toBeLessThan(416);
    expect(size.weighed.outliers).toHaveLength(1);
  });

  test('the bench gets the cards of one session in order; done steps are gone from it', () => {
    const state = demo();
    const first = tonightOf(derive(state));
    expect(first.cards.length).toBeGreaterThan(0);
    expect(first.cards.map((card) => card.start)).toEqual([...first.cards.map((card) => card.start)].sort());
    expect(first.cards.reduce((minutes, card) => minutes + card.minutes, 0)).toBeLessThanOrEqual(180);
    const { key, title, lane, minutes } = first.cards[0]!;
    state.log.push({
      ...BLANK_LOG_ENTRY,
      id: 'l',
      version: 1,
      stepKey: key,
      title,
      lane,
      plannedMinutes: minutes,
      actualMinutes: minutes,
      startedAt: '2026-11-23T10:00:00Z',
      endedAt: '2026-11-23T11:00:00Z',
    });
    expect(tonightOf(derive(state)).cards.map((card) => card.key)).not.toContain(key);
  });

  test('the same brief gives the same plan', () => {
    expect(derive(demo()).plan).toEqual(derive(demo()).plan);
  });
});
