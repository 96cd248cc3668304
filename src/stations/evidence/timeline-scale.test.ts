import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '../../../tests/support/demo-brief';
import { evidencePage, type EvidencePage } from './page-data';
import { coatsOf, spanOf, ticksOf } from './timeline-scale';

const { view, shelf } = viewOfDemo();
const page = evidencePage(view, shelf);

describe('the scale of the timeline', () => {
  const span = spanOf(page);
  test('covers all events, the target and the pictures round them, not a museum visit decades later', () => {
    for (const event of page.events) expect(event.onDay > span.from && event.onDay < span.to).toBe(true);
    expect(span.from < page.target.from! && page.target.to! < span.to).toBe(true);
    expect(span.to < '1960').toBe(true);
  });
  test('has a scale for a brief with neither events nor target nor dates', () => {
    const nothing = { events: [], target: { from: null, to: null }, sources: [] } as unknown as EvidencePage;
    expect(spanOf(nothing).days).toBeGreaterThan(0);
  });
  test('is labelled inside its days, oftener when it is short', () => {
    const days = ticksOf(span).map((tick) => tick.day);
    expect(days.every((day) => day >= span.from && day <= span.to)).toBe(true);
    const short = { from: '1951-01-05', to: '1951-08-05', days: 212 };
    expect(ticksOf(short).map((tick) => tick.day)).toEqual(['1951-03-01', '1951-05-01', '1951-07-01']);
  });
  test('shows one coat between repaints, each with what is known of it', () => {
    const coats = coatsOf(page, view.colourHistory, 'fin-port', span);
    expect(coats.map(({ value, known }) => [value, known])).toEqual([
      ['TCS 31', 'evidence'],
      ['TCS 27', 'ruling'],
    ]);
    expect(coats[1]!.from).toBe('1950-11-20');
    expect(coatsOf(page, view.colourHistory, 'spinner', span)).toHaveLength(1);
  });
});

describe('sources in words', () => {
  test('dated by an event they lie before or after it; those without a day stand last', () => {
    expect(page.sources.find((source) => source.title === 'Works apron')!.dated).toBe('before 20 Nov 1950');
    expect(page.sources.find((source) => source.title === 'Apron, port side')!.dated).toBe('12 May 1951');
    const days = page.sources.map((source) => source.window.from ?? source.window.to ?? '9999');
    expect(days).toEqual([...days].sort());
  });
  test('a photograph from after the loss is marked, a museum visit is not', () => {
    const late = viewOfDemo((state) => {
      const pass = state.sources.find((source) => source.title === 'Low pass')!;
      Object.assign(pass, { dateFrom: '1954-01-01', dateTo: '1954-01-01' });
    });
    const marked = evidencePage(late.view, late.shelf).sources.filter((source) => source.afterLoss);
    expect(marked.map((source) => source.title)).toEqual(['Low pass']);
  });
});
