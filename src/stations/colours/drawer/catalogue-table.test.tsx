/** @jest-environment jsdom */
import { afterAll, afterEach, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { bottleOf, paintOf } from '@tests/support/paints';
import { CatalogueTable } from './catalogue-table';

const TODAY = '2026-11-23';
const paints = [
  paintOf({ id: 'a', line: 'Hask', number: '9', name: 'Coal', lab: [20, 0, 0], priceCents: 310 }),
  paintOf({
    id: 'b',
    line: 'Hask',
    number: '101',
    name: 'Ember ivory',
    lab: [88, 1, 10],
    priceCents: 290,
    claims: ['TCS 14'],
    bottles: [bottleOf({ mlLeft: 12, openedOn: '2026-10-01' })],
    ownedMl: 12,
  }),
  paintOf({
    id: 'c',
    line: 'Brammel',
    number: 'BM7',
    name: 'Silver',
    chemistry: 'EN',
    kind: 'metallic',
    lab: null,
    formerly: ['S7'],
    bottles: [bottleOf({ mlLeft: 0.3 })],
    ownedMl: 0.3,
  }),
];

// What is not laid out has no height, and nothing would be drawn of a virtual list.
const height = Object.getOwnPropertyDescriptor(Element.prototype, 'clientHeight')!;
const heightIs = (is: PropertyDescriptor) => {
  Object.defineProperty(Element.prototype, 'clientHeight', { ...is, configurable: true });
};
beforeAll(() => heightIs({ value: 600 }));
afterAll(() => heightIs(height));
afterEach(cleanup);

const show = (onOpen: (id: string) => void = () => undefined) =>
  render(<CatalogueTable paints={paints} today={TODAY} open={null} onOpen={onOpen} />);
const rows = () =>
  within(screen.getByRole('table', { name: 'Paints' }))
    .getAllByRole('row')
    .slice(1);
const names = () => rows().map((row) => within(row).getAllByRole('cell')[1]!.textContent);
const find = (text: string) => fireEvent.change(screen.getByLabelText('Named'), { target: { value: text } });
const pick = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const sortBy = (head: string) => fireEvent.click(screen.getByRole('button', { name: new RegExp(`^${head}`) }));

describe('the catalogue', () => {
  test('is found by name, number, code that is claimed, and former number, whatever the case', () => {
    show();
    expect(names()).toHaveLength(3);
    for (const [text, name] of [
      ['EMBER', 'Ember ivory'],
      ['bm7', 'Silver'],
      ['tcs 14', 'Ember ivory'],
      ['s7', 'Silver'],
    ] as const) {
      find(text);
      expect(names()).toEqual([name]);
    }
    expect(screen.getByRole('status').textContent).toBe('1 of 3');
  });
  test('shows what is held, and what of it is worn', () => {
    show();
    pick('Held', 'drawer');
    expect(names()).toEqual(['Ember ivory', 'Silver']);
    pick('Held', 'worn');
    expect(names()).toEqual(['Silver']);
  });
  test('filters go together', () => {
    show();
    pick('Chemistry', 'EN');
    pick('Kind', 'solid');
    expect(screen.getByText('No paint passes these filters.')).toBeTruthy();
    pick('Kind', 'metallic');
    expect(names()).toEqual(['Silver']);
  });
  test('is sorted by a column, the other way round, and not at all', () => {
    show();
    sortBy('Price');
    const up = rows().map((row) => within(row).getAllByRole('cell')[7]!.textContent!);
    sortBy('Price');
    const down = rows().map((row) => within(row).getAllByRole('cell')[7]!.textContent!);
    expect([...up].reverse()).toEqual(down);
    expect(screen.getByRole('columnheader', { name: /Price/ }).getAttribute('aria-sort')).not.toBe('none');
    sortBy('Price');
    expect(names()).toEqual(['Coal', 'Ember ivory', 'Silver']);
  });
  test('numbers of a line stand in their order, 9 before 101', () => {
    show();
    sortBy('Paint');
    const labels = rows().map((row) => within(row).getAllByRole('cell')[0]!.textContent!.trim());
    expect(labels.filter((label) => label.startsWith('Hask'))).toEqual(['Hask 9', 'Hask 101']);
  });
  test('a paint without a colour has no lightness; a press opens it', () => {
    const onOpen = jest.fn<(id: string) => void>();
    show(onOpen);
    find('silver');
    expect(within(rows()[0]!).getAllByRole('cell')[6]!.textContent).toBe('–');
    fireEvent.click(screen.getByRole('button', { name: 'Brammel BM7' }));
    expect(onOpen).toHaveBeenCalledWith('c');
  });
  test('an empty house is told what to do', () => {
    render(<CatalogueTable paints={[]} today={TODAY} open={null} onOpen={() => undefined} />);
    expect(screen.getByText(/add one by hand, or bring in a table/)).toBeTruthy();
  });
});
