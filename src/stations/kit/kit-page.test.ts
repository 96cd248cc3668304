import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { BLANK_PART } from '@/core/kept/blank';
import type { BriefState } from '@/core/kept/state';
import { kitPage } from './page-data';
import { whatMatters } from './what-matters';

const pageOf = (change: (state: BriefState) => void = () => undefined) => {
  const { view, shelf } = viewOfDemo(change);
  return { page: kitPage(view, shelf, 1), view };
};
const part = (number: string, over: Partial<BriefState['parts'][number]> = {}): BriefState['parts'][number] => ({
  ...BLANK_PART,
  id: `part ${number}`,
  version: 1,
  sprue: 'C',
  number,
  ...over,
});

describe('what Kit shows', () => {
  test('every choice, and of those that cannot be beside the others why', () => {
    const { page } = pageOf();
    const cannot = (option: string, choice: string) =>
      page.options.find(({ name }) => name === option)!.choices.find(({ value }) => value === choice)!.cannot;
    for (const { choices } of page.options) {
      const chosen = choices.filter((choice) => choice.chosen);
      expect(chosen.map((choice) => choice.cannot)).toEqual(['']);
    }
    expect(cannot('gear', 'up')).toMatch(/cannot stand on it/);
    expect(cannot('stand', 'a rod')).toBe('');
  });
  test('of a part that needs work what that is, what it holds up and when', () => {
    const { page } = pageOf((state) => {
      state.parts = [part('9', { condition: 'broken', name: 'leg', zone: 'gear-main' }), part('10')];
    });
    const [bad, good] = page.parts;
    expect(bad).toMatchObject({ called: 'C 9', work: ['Pin and mend C 9 leg'] });
    expect(bad!.holdsUp).toMatch(/^Build the gear, \w{3} \d+ \w{3}/);
    expect(good).toMatchObject({ work: [], holdsUp: '' });
    expect(whatMatters(page)).toMatch(/^1 part needs work first: C 9 leg holds up Build the gear/);
  });
  test('says “need” of several', () => {
    const { page } = pageOf((state) => {
      state.parts = [part('1', { condition: 'broken' }), part('2', { condition: 'short' })];
    });
    expect(whatMatters(page)).toMatch(/^2 parts need work first/);
  });
  test('an empty register asks to look into the box', () => {
    const { page } = pageOf((state) => {
      state.parts = [];
    });
    expect(whatMatters(page)).toMatch(/Look into the box/);
  });
  test('what hangs together with a choice is known before anything else', () => {
    const { page } = pageOf((state) => {
      state.parts = [];
      state.brief = { ...state.brief, options: { ...state.brief.options, stand: 'a rod' } };
    });
    expect(whatMatters(page)).toMatch(/wheels down on a rod/);
  });
  test('a subject counts its steps, its work and what is open of it', () => {
    const { page, view } = pageOf((state) => {
      state.subjects = [
        {
          id: 's',
          version: 1,
          name: 'subject-ground-crew',
          kind: 'figure',
          title: 'Ground crew',
          count: 2,
          place: 'by the wing',
          role: '',
          lengthM: 0,
          breadthM: 0,
          heightM: 0,
          standsOn: '',
          byGate: 'end',
          layers: [],
          note: '',
        },
      ];
    });
    const [crew] = page.subjects;
    const own = view.route.steps.filter(({ key }) => key.startsWith('subject-ground-crew:'));
    expect(crew).toMatchObject({ steps: own.length, minutes: own.reduce((sum, { minutes }) => sum + minutes, 0) });
    // Nobody asked yet about the colours of its two zones.
    expect(crew!.open).toBe(2);
  });
  test('what is measured stands beside what it should be', () => {
    const { page } = pageOf((state) => {
      state.measures = [
        {
          id: 'm',
          version: 1,
          title: 'Span',
          of: 'assembly',
          zone: '',
          trueMm: 11_100,
          measuredMm: 231.25,
          otherMm: null,
          dimension: '',
          note: '',
        },
      ];
    });
    expect(page.measures[0]!.compared).toMatchObject({ shouldMm: 231.25, errorMm: 0, says: 'true to scale' });
  });
  test('a rod is cut to the length that its angle, base and socket ask for', () => {
    const { page } = pageOf((state) => {
      state.brief = { ...state.brief, rod: { angleDeg: 30, heightMm: 100, baseMm: 20, socketMm: 10 } };
    });
    expect(page.rodMm).toBeCloseTo(250, 6);
  });
});
