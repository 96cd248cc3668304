/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import { useEffect } from 'react';
import type { Result } from '@/core/interchange/result';
import { SavingProvider } from '@/ui/saving';
import type { CellText, Standing } from './ledger';
import type { EvidencePage } from './page-data';

interface Sent {
  text: string;
  standing: Standing;
  answer: (result: Result<{ standing: Standing }>) => void;
}
const sent: Sent[] = [];
jest.unstable_mockModule('@/actions/evidence', () => ({
  enterCell: ({ text, standing }: CellText) =>
    new Promise<Result<{ standing: Standing }>>((answer) => sent.push({ text, standing, answer })),
}));
const { useCellEntries } = await import('./use-cell-entries');

afterEach(cleanup);
beforeEach(() => {
  sent.length = 0;
});

const page = (sightings: object[] = []) =>
  ({
    briefId: 'b',
    sources: [{ id: 's', film: 'unknown', sides: [] }],
    questions: [{ id: 'q', aspect: 'colour', sightings }],
  }) as unknown as EvidencePage;
const kept = (value: string, version: number) => ({
  id: 'kept',
  version,
  sourceId: 's',
  questionId: 'q',
  value,
  sd: null,
  clarity: 'clear',
  sense: 'for',
});

let keep: (text: string, standing?: Standing) => Promise<Result>;
function Cell({ data }: { data: EvidencePage }) {
  const [questions, entry] = useCellEntries(data);
  useEffect(() => {
    keep = (text, standing = null) => entry({ questionId: 'q', sourceId: 's', text, standing });
  });
  return <p data-testid="cell">{questions[0]!.sightings.map(({ value }) => value).join(' ')}</p>;
}
const tree = (data: EvidencePage) => (
  <SavingProvider>
    <Cell data={data} />
  </SavingProvider>
);
const cell = () => screen.getByTestId('cell').textContent;
const type = (text: string, standing?: Standing) =>
  act(async () => {
    void keep(text, standing);
  });
const answer = (i: number, result: Result<{ standing: Standing }>) =>
  act(async () => {
    sent[i]!.answer(result);
  });

describe('a cell of the ledger that is typed into', () => {
  test('shows what was typed before the server has answered', async () => {
    render(tree(page()));
    await type('27');
    expect(cell()).toBe('27');
    expect(sent.map(({ text, standing }) => [text, standing])).toEqual([['27', null]]);
    await answer(0, { ok: true, value: { standing: { id: 'kept', version: 1 } } });
  });
  test('shows again what stood there when the server refuses it', async () => {
    render(tree(page([kept('31', 1)])));
    await type('27', { id: 'kept', version: 1 });
    expect(cell()).toBe('27');
    await answer(0, { ok: false, faults: [{ field: '', says: 'This question is gone.' }] });
    await waitFor(() => expect(cell()).toBe('31'));
  });
  test('typed into again at once, it changes what the first answer says stands there', async () => {
    render(tree(page()));
    await type('27');
    await type('31', { id: 'entered', version: 0 });
    expect(cell()).toBe('31');
    expect(sent).toHaveLength(1);
    await answer(0, { ok: true, value: { standing: { id: 'kept', version: 1 } } });
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.standing).toEqual({ id: 'kept', version: 1 });
    await answer(1, { ok: true, value: { standing: { id: 'kept', version: 2 } } });
  });
  test('after a refusal the next entry changes what really stands there', async () => {
    render(tree(page([kept('31', 4)])));
    await type('27', { id: 'kept', version: 4 });
    await type('21', { id: 'kept', version: 4 });
    await answer(0, { ok: false, faults: [{ field: '', says: 'no' }] });
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.standing).toEqual({ id: 'kept', version: 4 });
    await answer(1, { ok: true, value: { standing: { id: 'kept', version: 5 } } });
  });
  test('once the page has come, what it shows is what is changed', async () => {
    const { rerender } = render(tree(page()));
    await type('27');
    await answer(0, { ok: true, value: { standing: { id: 'kept', version: 1 } } });
    // Somebody else changed it meanwhile: the page brings version 3.
    rerender(tree(page([kept('24', 3)])));
    await type('21', { id: 'kept', version: 3 });
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.standing).toEqual({ id: 'kept', version: 3 });
    await answer(1, { ok: true, value: { standing: { id: 'kept', version: 4 } } });
  });
  test('taken away, it is empty at once', async () => {
    render(tree(page([kept('31', 1)])));
    await type('', { id: 'kept', version: 1 });
    expect(cell()).toBe('');
    await answer(0, { ok: true, value: { standing: null } });
    await waitFor(() => expect(screen.getByRole('status').textContent).toContain('u brings it back'));
  });
});
