import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { briefPage } from '@/stations/brief/page-data';
import { recordPaper } from '@/paper/record-data';
import { libertiesOf } from './liberties';

const NOW = '2026-11-23T12:00:00Z';
const withLiberty = (basis: 'liberty' | 'departure' | 'choice') =>
  viewOfDemo((state) => {
    // Nobody has a source for the seat.
    state.questions = state.questions.filter((q) => q.zone !== 'seat');
    state.questions.push({ id: 'seat', version: 1, zone: 'seat', aspect: 'colour', item: '' });
    state.rulings.push({
      ...state.rulings[0]!,
      id: 'red',
      questionId: 'seat',
      value: 'TCS 10',
      basis,
      reason: 'red looks better',
      favoured: null,
    });
  }).view;

describe('liberties', () => {
  test('stand as such in brief and record, also where there is no evidence at all', () => {
    const view = withLiberty('liberty');
    const [taken] = libertiesOf(view).filter(({ value }) => value === 'TCS 10');
    expect(taken).toMatchObject({
      question: expect.stringMatching(/seat/i),
      says: expect.stringMatching(/red looks better/),
    });
    expect(recordPaper(view, NOW).liberties).toContainEqual(taken);
    expect(briefPage(view).liberties.join()).toMatch(/seat.*TCS 10/i);
  });
  test('are asked no more, whatever turns up; a departure stands beside them, a choice does not', () => {
    const question = withLiberty('liberty').questions.find(({ record }) => record.id === 'seat')!;
    expect(question).toMatchObject({ open: false, reopened: false });
    const values = (basis: Parameters<typeof withLiberty>[0]) =>
      libertiesOf(withLiberty(basis)).map(({ value }) => value);
    expect(values('departure')).toContain('TCS 10');
    expect(values('choice')).not.toContain('TCS 10');
  });
});
