import { describe, expect, test } from '@jest/globals';
import { shelfOfDemo, viewOfDemo } from '@tests/support/demo-brief';
import { BLANK_LOG_ENTRY } from './blank';
import { shownData, typedTexts } from './shown-data';

const { view } = viewOfDemo((state) => {
  state.brief = { ...state.brief, notes: 'Cut the 20 mm tape at 21 °C' };
  state.log.push({
    ...BLANK_LOG_ENTRY,
    version: 1,
    stepKey: '',
    lane: '',
    plannedMinutes: null,
    actualMinutes: 10,
    startedAt: '2026-11-20T18:00:00Z',
    endedAt: '2026-11-20T18:10:00Z',
    id: 'own',
    title: 'Sprayed at 1.2 bar',
    note: 'at 1.2 bar it ran',
  });
});
const typed = typedTexts(view.state, shelfOfDemo());

describe('what a page says, in feet and inches', () => {
  test('is the same data where metric is chosen', () => {
    const data = { says: 'at 1.2 bar' };
    expect(shownData(data, 'metric', typed)).toBe(data);
  });
  test('every sentence of the house is changed, wherever it stands; numbers, dates and names are not', () => {
    const data = {
      says: 'Spray at 1.2 bar',
      lines: [{ about: ['from 80 mm', 'for 20 min'], minutes: 20, at: '2026-11-26T19:30', none: null, yes: true }],
    };
    expect(shownData(data, 'feet and inches', typed)).toEqual({
      says: 'Spray at 17 psi',
      lines: [{ about: ['from 3.15 in', 'for 20 min'], minutes: 20, at: '2026-11-26T19:30', none: null, yes: true }],
    });
  });
  test('what a person typed, and what the log holds, stays as it is', () => {
    const { note, title } = view.state.log.at(-1)!;
    const kept = { notes: view.state.brief.notes, note, title };
    expect(shownData(kept, 'feet and inches', typed)).toEqual(kept);
  });
  test('no record of a brief is another by it: forms keep what they opened with', () => {
    const { plans: _, runs: __, mishaps: ___, ...kept } = view.state;
    expect(shownData(kept, 'feet and inches', typed)).toEqual(kept);
  });
});
