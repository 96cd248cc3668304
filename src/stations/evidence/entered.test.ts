import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { withEntry } from './entered';
import { evidencePage } from './page-data';

const { view, shelf } = viewOfDemo();
const { questions, sources } = evidencePage(view, shelf);
const question = questions.find(({ aspect, sightings }) => aspect === 'colour' && sightings.length > 0)!;
const standing = question.sightings[0]!;
const empty = sources.find(({ id }) => !question.sightings.some(({ sourceId }) => sourceId === id))!;
const after = (entry: Partial<Parameters<typeof withEntry>[2]>) =>
  withEntry(questions, sources, {
    questionId: question.id,
    sourceId: empty.id,
    text: '27',
    standing: null,
    ...entry,
  }).find(({ id }) => id === question.id)!.sightings;

describe('what was typed into a cell', () => {
  test('stands there before the server has answered, as clearly as it was typed', () => {
    expect(after({ text: '27 ~' })).toContainEqual(
      expect.objectContaining({ sourceId: empty.id, value: '27', clarity: 'partial', sense: 'for' }),
    );
    expect(after({ text: '! 27' })).toContainEqual(expect.objectContaining({ sourceId: empty.id, sense: 'against' }));
  });
  test('takes the place of what stood there; nothing typed takes it away', () => {
    const own = { sourceId: standing.sourceId, standing: { id: standing.id, version: standing.version } };
    expect(after({ ...own, text: '31' })).toHaveLength(question.sightings.length);
    expect(after({ ...own, text: '' })).toHaveLength(question.sightings.length - 1);
  });
  test('that is no answer changes nothing', () => {
    const size = questions.find(({ aspect }) => aspect === 'size')!;
    const source = sources[0]!;
    const typed = withEntry(questions, sources, {
      questionId: size.id,
      sourceId: source.id,
      text: 'wide',
      standing: null,
    });
    expect(typed).toEqual(questions);
  });
});
