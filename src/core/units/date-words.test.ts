import { describe, expect, test } from '@jest/globals';
import { numbers } from '@tests/support/made-up';
import { datesWritten, readDates } from './date-words';
import { addDays } from './day';

describe('dates as people know them', () => {
  test.each([
    ['1951', '1951-01-01', '1951-12-31'],
    ['May 1951', '1951-05-01', '1951-05-31'],
    ['Mai 1951', '1951-05-01', '1951-05-31'],
    ['février 1944', '1944-02-01', '1944-02-29'],
    ['mayo de 1951', '1951-05-01', '1951-05-31'],
    ['1951-05', '1951-05-01', '1951-05-31'],
    ['5/1951', '1951-05-01', '1951-05-31'],
    ['12 May 1951', '1951-05-12', '1951-05-12'],
    ['May 12th, 1951', '1951-05-12', '1951-05-12'],
    ['12. Mai 1951', '1951-05-12', '1951-05-12'],
    ['12.5.1951', '1951-05-12', '1951-05-12'],
    ['25/12/1951', '1951-12-25', '1951-12-25'],
    ['12/25/1951', '1951-12-25', '1951-12-25'],
    ['spring 1943', '1943-03-01', '1943-05-31'],
    ['Sommer 1943', '1943-06-01', '1943-08-31'],
    ['winter 1943', '1943-12-01', '1944-02-29'],
    ['winter 1943-44', '1943-12-01', '1944-02-29'],
    ['early 1944', '1944-01-01', '1944-04-30'],
    ['late May 1951', '1951-05-21', '1951-05-31'],
    ['mid-May 1951', '1951-05-11', '1951-05-20'],
    ['1940s', '1940-01-01', '1949-12-31'],
    ['1943–44', '1943-01-01', '1944-12-31'],
    ['1943/44', '1943-01-01', '1944-12-31'],
    ['1943 to 1945', '1943-01-01', '1945-12-31'],
    ['between May and July 1944', '1944-05-01', '1944-07-31'],
    ['May–July 1944', '1944-05-01', '1944-07-31'],
    ['3–9 May 1951', '1951-05-03', '1951-05-09'],
    ['1951-05-03 – 1951-05-09', '1951-05-03', '1951-05-09'],
    ['about May 1944', '1944-04-01', '1944-06-30'],
    ['ca. 1944', '1943-01-01', '1945-12-31'],
  ])('%s', (said, from, to) => expect(readDates(said)).toEqual({ from, to }));

  test.each([
    ['before 1950', null, '1949-12-31'],
    ['vor Mai 1950', null, '1950-04-30'],
    ['until May 1950', null, '1950-05-31'],
    ['after 1944', '1945-01-01', null],
    ['since May 1944', '1944-05-01', null],
    ['undated', null, null],
    ['sans date', null, null],
    ['', null, null],
  ])('%s is open where nothing is known', (said, from, to) => expect(readDates(said)).toEqual({ from, to }));

  test.each(['3/4/1951', 'tomorrow', '30 February 1951', 'May', '1751', '12 Smarch 1951', '1951-13', 'May 1951 1952'])(
    '%s is no date that could be meant in one way',
    (said) => expect(readDates(said)).toBeNull(),
  );

  test('any span is read again as it is written', () => {
    const random = numbers(5);
    for (let i = 0; i < 500; i += 1) {
      const from = addDays('1900-01-01', Math.floor(random() * 60_000));
      const to = addDays(from, Math.floor(random() ** 3 * 2000));
      const span = { from: random() < 0.1 ? null : from, to: random() < 0.1 ? null : to };
      expect(readDates(datesWritten(span))).toEqual(span);
    }
    for (const span of [
      { from: '1944-02-01', to: '1944-02-29' },
      { from: '1944-01-01', to: '1944-12-31' },
    ])
      expect(readDates(datesWritten(span))).toEqual(span);
  });
});
