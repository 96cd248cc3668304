import { describe, expect, test } from '@jest/globals';
import { numbers } from '@tests/support/made-up';
import { readSessions, sessionsInWords } from './sessions-said';

const session = (weekday: number, startsAt: string, minutes: number, booth = true) => ({
  weekday,
  startsAt,
  minutes,
  booth,
});

describe('when somebody is at the bench, said in a line', () => {
  test('days before a time belong to it; now and then is not planned for', () => {
    const read = readSessions('Tuesdays and Thursdays 19:30 for 2 h; now and then Saturdays');
    expect(read.sessions).toEqual([session(2, '19:30', 120), session(4, '19:30', 120)]);
    expect(read.faults).toEqual([]);
    expect(read.understood).toEqual([
      'Tuesdays and Thursdays 19:30 for 2 h',
      'Saturdays now and then: not planned for; say it at the Bench when you sit down',
    ]);
  });

  test.each([
    ['Tue, Thu 19:30 2h, Sat 10:00 3h', [session(2, '19:30', 120), session(4, '19:30', 120), session(6, '10:00', 180)]],
    ['dienstags und donnerstags 20.00 bis 22.15', [session(2, '20:00', 135), session(4, '20:00', 135)]],
    ['mardi 19h30 pendant 1 h 30', [session(2, '19:30', 90)]],
    ['sábados 10:00 durante 3 horas', [session(6, '10:00', 180)]],
    ['Fri 7 pm for 90 min', [session(5, '19:00', 90)]],
    ['Sundays 9:30 am - 12:00', [session(7, '09:30', 150)]],
    ['weekends 10:00 for 1.5 hours', [session(6, '10:00', 90), session(7, '10:00', 90)]],
    ['every day 21:00 for 45 min', [1, 2, 3, 4, 5, 6, 7].map((day) => session(day, '21:00', 45))],
    ['Mon 23:00 until 01:00', [session(1, '23:00', 120)]],
    ['Wed 20:00 for 1 h, no spraying', [session(3, '20:00', 60, false)]],
    ['', []],
  ])('%s', (said, sessions) => expect(readSessions(said)).toMatchObject({ sessions, faults: [] }));

  test.each([
    ['Tuesdays', 'Tuesdays: from when?'],
    ['Tuesdays 19:30', 'Tuesdays 19:30: for how long?'],
    ['19:30 for 2 h', '19:30: on which days?'],
    ['Tuesdays 25:00 for 2 h', 'there is no such time'],
    ['Tuesdays 19:30 for 5 min', 'from 10 minutes'],
    ['whenever I can', '“whenever i can”: which days, from when, how long?'],
  ])('what is missing in “%s” is asked, and nothing is assumed', (said, fault) => {
    const read = readSessions(said);
    expect(read.sessions).toEqual([]);
    expect(read.faults.join()).toContain(fault);
  });

  test('any week is read again as it is written', () => {
    const random = numbers(3);
    const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
    for (let i = 0; i < 200; i += 1) {
      const week = Array.from({ length: whole(0, 5) }, () =>
        session(
          whole(1, 7),
          `${String(whole(0, 23)).padStart(2, '0')}:${String(whole(0, 59)).padStart(2, '0')}`,
          whole(10, 900),
          random() < 0.7,
        ),
      );
      const read = readSessions(sessionsInWords(week));
      const sorted = (list: typeof week) => [...new Set(list.map((one) => JSON.stringify(one)))].sort();
      expect(read.faults).toEqual([]);
      expect(sorted(read.sessions)).toEqual(sorted(week));
    }
  });
});
