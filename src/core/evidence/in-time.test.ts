import { describe, expect, test } from '@jest/globals';
import { coloursOn, showsOn, type ColourHistory } from './as-on';
import { epochOf, eventDays, windowOf, type PaintEvent } from './events';
import { layersOn, mainCoat, needsOrder } from './layers';
import type { WeighedSource } from './weigh';
import { DEFAULT_WEIGHTS } from './weights';

const event = (id: string, kind: PaintEvent['kind'], onDay: string, over: Partial<PaintEvent> = {}): PaintEvent => ({
  id,
  zone: 'fin',
  kind,
  onDay,
  value: '',
  showsUnder: false,
  ...over,
});
const undated = { dateFrom: null, dateTo: null, afterEventId: null, beforeEventId: null };

describe('a source dated by an event', () => {
  const days = eventDays([event('depot', 'repaint', '1950-11-20'), event('winter', 'repaint', '1951-11-05')]);
  test('before the repaint ends the day before it, after it begins on its day', () => {
    expect(windowOf({ ...undated, beforeEventId: 'depot' }, days)).toEqual({ from: null, to: '1950-11-19' });
    expect(windowOf({ ...undated, afterEventId: 'depot' }, days)).toEqual({ from: '1950-11-20', to: null });
    expect(windowOf({ ...undated, afterEventId: 'depot', beforeEventId: 'winter' }, days)).toEqual({
      from: '1950-11-20',
      to: '1951-11-04',
    });
  });
  test('its own days are only narrowed', () => {
    const year = { ...undated, dateFrom: '1950-01-01', dateTo: '1950-12-31' };
    expect(windowOf({ ...year, beforeEventId: 'depot' }, days)).toEqual({ from: '1950-01-01', to: '1950-11-19' });
    expect(windowOf(year, days)).toEqual({ from: '1950-01-01', to: '1950-12-31' });
    expect(windowOf({ ...undated, dateFrom: '1951-05-12' }, days)).toEqual({ from: '1951-05-12', to: '1951-05-12' });
  });
});

describe('coats of a zone', () => {
  const events = [
    event('a', 'repaint', '1950-11-20', { value: 'TCS 27' }),
    event('b', 'overpaint', '1951-02-10', { value: 'TCS 31', showsUnder: true }),
    event('c', 'addition', '1951-04-28', { value: 'band' }),
    event('d', 'repaint', '1952-01-01', { value: 'TCS 12', showsUnder: true }),
    event('e', 'repaint', '1953-01-01', { value: 'TCS 14' }),
    event('other', 'repaint', '1951-03-01', { zone: 'wing' }),
  ];
  const values = (day: string) => layersOn(events, 'fin', day, 'TCS 21').map((layer) => layer.value);
  test('lie in the order in which they came, down to the last repaint that hides what is below', () => {
    expect(values('1950-11-19')).toEqual(['TCS 21']);
    expect(values('1950-11-20')).toEqual(['TCS 27']);
    expect(values('1951-05-10')).toEqual(['TCS 27', 'TCS 31', 'band']);
    expect(values('1952-06-01')).toEqual(['TCS 27', 'TCS 31', 'band', 'TCS 12']);
    expect(values('1953-06-01')).toEqual(['TCS 14']);
  });
  test('the coat that covers the zone is its last repaint, not the patch over it', () => {
    expect(mainCoat(layersOn(events, 'fin', '1951-05-10', null))).toBe(0);
    expect(mainCoat(layersOn(events, 'fin', '1952-06-01', null))).toBe(3);
    expect(needsOrder(layersOn(events, 'fin', '1953-06-01', null))).toBe(false);
  });
  test('an epoch runs from one repaint to the day before the next', () => {
    expect(epochOf(events, 'fin', '1951-05-10')).toEqual({ from: '1950-11-20', to: '1951-12-31' });
    expect(epochOf(events, 'fin', '1940-01-01')).toEqual({ from: null, to: '1950-11-19' });
    expect(epochOf(events, 'fin', '1954-01-01')).toEqual({ from: '1953-01-01', to: null });
  });
});

describe('the airframe as on a day', () => {
  const photo = (id: string, day: string): WeighedSource => ({
    id,
    kind: 'photograph',
    from: day,
    to: day,
    derivedFrom: [],
    grade: 1,
  });
  const says = (source: string, value: string, zone = 'fin') => ({
    source,
    zone,
    aspect: 'colour',
    value,
    clarity: 'clear' as const,
    sense: 'for' as const,
  });
  const history: ColourHistory = {
    target: { from: '1951-05-08', to: '1951-05-14' },
    sources: [photo('old', '1950-03-10'), photo('new', '1951-05-12')],
    events: [event('depot', 'repaint', '1950-11-20'), event('later', 'repaint', '1952-02-01', { value: 'TCS 40' })],
    sightings: [says('old', 'TCS 31'), says('new', 'TCS 27'), says('new', 'TCS 14', 'belly')],
    rulings: [{ zone: 'fin', value: 'TCS 28' }],
    zones: ['fin', 'belly', 'spinner'],
    weights: DEFAULT_WEIGHTS,
  };
  test('the ruling holds for the coat of the target, the evidence of the day for the one before it', () => {
    expect(coloursOn(history, '1951-01-01').get('fin')).toMatchObject({ value: 'TCS 28', from: 'ruling' });
    expect(coloursOn(history, '1950-06-01').get('fin')).toMatchObject({ value: 'TCS 31', from: 'evidence' });
  });
  test('after a repaint that says what it laid, it is that', () => {
    expect(coloursOn(history, '1952-02-01').get('fin')).toMatchObject({ value: 'TCS 40', from: 'event' });
  });
  test('where nothing is known, nothing is said', () => {
    expect(coloursOn(history, '1951-05-10').get('spinner')).toEqual({ value: null, from: 'nothing', state: 'unseen' });
    expect(coloursOn(history, '1951-05-10').get('belly')).toMatchObject({ value: 'TCS 14', from: 'evidence' });
  });
  test('what was added shows from that day, what was covered until it', () => {
    const events = [
      event('on', 'addition', '1951-04-28', { value: 'Band' }),
      event('off', 'overpaint', '1951-06-01', { value: 'Band' }),
      event('name', 'overpaint', '1951-02-01', { value: 'Name' }),
    ];
    expect(['1951-04-27', '1951-04-28', '1951-06-01'].map((day) => showsOn(events, 'fin', 'band', day))).toEqual([
      false,
      true,
      false,
    ]);
    expect(['1951-01-31', '1951-02-01'].map((day) => showsOn(events, 'fin', 'Name', day))).toEqual([true, false]);
    expect(showsOn(events, 'fin', 'insignia', '1940-01-01')).toBe(true);
  });
});
