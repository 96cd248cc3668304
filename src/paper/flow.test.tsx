import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pagesOf, printed } from '@tests/support/paper';
import { shelfOfDemo, viewOfDemo } from '@tests/support/demo-brief';
import type { DossierPaper } from './dossier-data';
import { briefPaper } from './paper-data';
import { blocksOf, dealtOut } from './flow';
import { linesIn } from './text-height';

const question = (n: number, contributions: string): DossierPaper['questions'][number] => ({
  question: `Question number ${n}`,
  ruling: 'TCS 12',
  support: 'leaning, 0.8',
  basis: 'Supported, builder: as the apron picture and the works drawing both have it',
  contributions,
});
const dossier = (
  questions: number,
  sources: number,
  contributions = 'Apron: TCS 27, 3.00; '.repeat(12),
): DossierPaper => ({
  title: 'Testbird T 7',
  subtitle: 'in May 1951',
  printedOn: '26 Nov 2026',
  sources: Array.from({ length: sources }, (_, i) => ({
    title: `Source number ${i}`,
    kind: 'photograph',
    date: '1951',
    sides: 'port',
    citation: 'an album',
  })),
  questions: Array.from({ length: questions }, (_, i) => question(i, contributions)),
  events: [],
  layers: [],
});
const print = async (data: DossierPaper) => pagesOf(await printed({ kind: 'dossier', data }));

describe('a long paper', () => {
  let pages: string[];
  beforeAll(async () => {
    pages = await print(dossier(170, 60));
  }, 120_000);
  test('prints each question and source once, with page numbers', () => {
    const text = pages.join(' ');
    for (const n of [0, 77, 169]) expect(text.match(new RegExp(`Question number ${n}(?!\\d)`, 'g'))).toHaveLength(1);
    for (const n of [0, 30, 59]) expect(text.match(new RegExp(`Source number ${n}(?!\\d)`, 'g'))).toHaveLength(1);
    pages.forEach((page, i) => expect(page).toContain(`${i + 1} / ${pages.length}`));
  });
  test('has contents that name the pages where its sections begin', () => {
    const contents = pages.findIndex((page) => /Contents/.test(page));
    expect(contents).toBe(0);
    const said = Number(/Sources\s+(\d+)/.exec(pages[contents]!)![1]);
    expect(pages[said - 1]).toMatch(/Sources/);
    expect(pages[said - 1]).toContain('Source number 0');
  });
  test('of few pages has none', async () => {
    const few = await print(dossier(20, 5));
    expect(few.length).toBeLessThanOrEqual(12);
    expect(few.join(' ')).not.toContain('Contents');
  });
  test('of one text that is longer than a page runs over several', async () => {
    const one = await print(dossier(1, 1, 'Apron, port side: TCS 27, 3.00; '.repeat(1500)));
    expect(one.length).toBeGreaterThan(3);
  });
  test('leaves hardly a page half empty: what is reckoned is what is laid', () => {
    const rows = pages.map((page) => page.match(/(Question|Source) number/g)?.length ?? 0);
    // All but the last pages of a part, and those where one begins, hold as much as any.
    const most = Math.max(...rows.slice(1, 6));
    expect(Math.min(...rows.slice(1, 6))).toBeGreaterThan(most * 0.6);
  });
});

test('however pieces are dealt out, none is lost and no heading stands last', () => {
  const piece = fc.record({ height: fc.integer({ min: 1, max: 900 }), isHeading: fc.boolean() });
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 300 }), (pieces) => {
      const groups = dealtOut(pieces);
      expect(groups.flat()).toEqual(pieces);
      for (const group of groups.slice(0, -1))
        if (group.some(({ isHeading }) => !isHeading)) expect(group.at(-1)!.isHeading).toBe(false);
    }),
    { seed: 1 },
  );
});

test('a text takes as many lines as its words need', () => {
  expect(linesIn('', 100, 10)).toBe(1);
  expect(linesIn('one two three', 1000, 10)).toBe(1);
  expect(linesIn('one\ntwo', 1000, 10)).toBe(2);
  expect(linesIn('word '.repeat(40).trim(), 100, 10)).toBeGreaterThan(5);
});

test('headings are held together with the first piece of what they head, of a long one with its beginning only', () => {
  const [head, sub, body, long] = [
    { height: 30, isHeading: true },
    { height: 20, isHeading: true },
    { height: 110 },
    { height: 700 },
  ];
  expect(blocksOf([head!, sub!, body!, body!])).toEqual([[head, sub, body], [body]]);
  expect(blocksOf([head!, long!, body!])).toEqual([[head], [long], [body]]);
  expect(blocksOf([body!, head!])).toEqual([[body], [head]]);
});

test.each([3, 11])(
  'no printed page ends with a heading, rows of %i lines below them',
  async (lines) => {
    const { view } = viewOfDemo();
    const data = briefPaper(view, shelfOfDemo(), '2026-11-26T12:00:00Z');
    const [step] = data.sessions.flatMap(({ steps }) => steps);
    const sessions = Array.from({ length: 16 }, (_, i) => ({
      title: `Session number ${i}.`,
      steps: Array.from({ length: 1 + (i % 4) }, (__, k) => ({
        ...step!,
        title: `Step ${i}.${k} ${'and more of it '.repeat(lines * 4)}`,
      })),
    }));
    const pages = await pagesOf(await printed({ kind: 'brief', data: { ...data, sessions } }));
    const text = pages.join(' ');
    for (const { title } of sessions) expect(text).toContain(title);
    // The foot is laid down first: what stands last is what stands lowest.
    for (const page of pages) expect(page.trimEnd()).not.toMatch(/Session number \d+\.$/);
  },
  120_000,
);
