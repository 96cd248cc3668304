import { expect, test } from '@jest/globals';
import { filmOf } from '@/core/workshop/filmed';
import { viewOfDemo } from '@tests/support/demo-brief';
import { onDay } from './another-day';

const { view, shelf } = viewOfDemo();
const film = filmOf(view, shelf);
const band = view.state.markings.find(({ name }) => name === 'Fuselage band')!;
const on = (day: string) => onDay(view.colourHistory, film, day, 'official');

test('on another day the machine has the colours of that day, and what was not painted yet is not there', () => {
  // The band came on 28 April 1951.
  expect([on('1951-04-27'), on('1951-04-28')].map(({ hidden }) => hidden.has(band.id))).toEqual([true, false]);
  expect(on('1951-05-10').colours.get('wing-lower-port')).toBe(film.inks['TCS 14']!.official);
  // What evidence says best where nobody ruled.
  expect(on('1951-05-10').colours.get('fin-starboard')).toBe(film.inks['TCS 31']!.official);
  expect(on('1951-05-10').caption).toContain('10 May 1951');
});
