import { describe, expect, test } from '@jest/globals';
import { agrees, benchSessions, elapsedToLocal, isTimeZone, localDay, localToElapsed, midnightUtc } from './calendar';
import type { Evening } from './evening';

const zone = 'Europe/Berlin';

describe('elapsed minutes and the clock on the wall', () => {
  test('midnight in winter is an hour behind UTC', () => {
    expect(midnightUtc('2026-01-06', zone)).toBe('2026-01-05T23:00:00.000Z');
    expect(localToElapsed('2026-01-06T19:30', zone, '2026-01-05T23:00:00.000Z')).toBe(1170);
    expect(elapsedToLocal(1170, zone, '2026-01-05T23:00:00.000Z')).toBe('2026-01-06T19:30');
  });
  test('the night in which the clock goes forward is an hour shorter', () => {
    const origin = midnightUtc('2026-03-28', zone);
    expect(localToElapsed('2026-03-29T19:30', zone, origin)).toBe(24 * 60 + 19 * 60 + 30 - 60);
  });
  test('an hour that occurs twice agrees with both its turns', () => {
    const origin = midnightUtc('2026-10-25', zone);
    expect(localToElapsed('2026-10-25T02:30', zone, origin)).toBe(150);
    expect(agrees(150, '2026-10-25T02:30', zone, origin)).toBe(true);
    expect(agrees(210, '2026-10-25T02:30', zone, origin)).toBe(true);
    expect(agrees(151, '2026-10-25T02:30', zone, origin)).toBe(false);
  });
  test('days are those of the zone', () => {
    expect(localDay('2026-01-05T23:30:00Z', zone)).toBe('2026-01-06');
    expect(isTimeZone('Europe/Berlin')).toBe(true);
    expect(isTimeZone('Mars/Base')).toBe(false);
  });
});

test('weekly sessions come round on their days; one that runs into the next is cut', () => {
  const origin = midnightUtc('2026-11-23', zone);
  const weekly = [
    { weekday: 2, startsAt: '19:30', minutes: 120, booth: true },
    { weekday: 2, startsAt: '20:30', minutes: 60, booth: false },
    { weekday: 6, startsAt: '10:00', minutes: 180, booth: true },
  ];
  const sessions = benchSessions(weekly, '2026-11-23', 2, zone, origin);
  expect(sessions.map((s) => s.startLocal)).toEqual([
    '2026-11-24T19:30',
    '2026-11-24T20:30',
    '2026-11-28T10:00',
    '2026-12-01T19:30',
    '2026-12-01T20:30',
    '2026-12-05T10:00',
  ]);
  expect(sessions[0]!.end).toBe(sessions[1]!.start - 1);
  expect(sessions[2]!.endLocal).toBe('2026-11-28T13:00');
});

test('single evenings come beside the week, and a day that is taken off falls out of it', () => {
  const origin = midnightUtc('2026-11-23', zone);
  const weekly = [{ weekday: 2, startsAt: '19:30', minutes: 120, booth: true }];
  const evening = { startsAt: '18:00', minutes: 60, booth: false };
  const days = (...evenings: Evening[]) =>
    benchSessions(weekly, '2026-11-23', 2, zone, origin, evenings).map((s) => s.startLocal);
  expect(days({ ...evening, onDay: '2026-11-26', off: false })).toEqual([
    '2026-11-24T19:30',
    '2026-11-26T18:00',
    '2026-12-01T19:30',
  ]);
  expect(days({ ...evening, onDay: '2026-11-24', off: true })).toEqual(['2026-12-01T19:30']);
  // Taken off in the week, and at the bench earlier on that day.
  expect(days({ ...evening, onDay: '2026-11-24', off: true }, { ...evening, onDay: '2026-11-24', off: false })).toEqual(
    ['2026-11-24T18:00', '2026-12-01T19:30'],
  );
});

test('through a whole year, both conversions are inverse of one another, in every zone tried', () => {
  for (const timeZone of ['Europe/Berlin', 'America/St_Johns', 'Asia/Kolkata', 'Pacific/Auckland', 'UTC']) {
    const origin = midnightUtc('2026-01-01', timeZone);
    for (let elapsed = 0; elapsed < 365 * 24 * 60; elapsed += 613) {
      const back = localToElapsed(elapsedToLocal(elapsed, timeZone, origin), timeZone, origin);
      // Only in the hour that occurs twice may the answer be an hour earlier.
      expect([0, 60]).toContain(elapsed - back);
    }
  }
});
