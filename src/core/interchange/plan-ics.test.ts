import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import { NOW, viewOfDemo } from '@tests/support/demo-brief';
import { planIcs } from './plan-ics';

const HOSTILE = 'Apron\r\nATTENDEE:mailto:somebody@example.invalid\nEND:VEVENT, half; \u2028 ＋ü'.repeat(3);
const { view } = viewOfDemo();
const work = view.plan.work.map((item) => ({ ...item, step: { ...item.step, title: HOSTILE } }));
const ics = planIcs({ ...view.plan, work }, view.route, { title: HOSTILE, briefId: 'b', stamp: NOW });

describe('names with ends of lines', () => {
  const calendar = new ICAL.Component(ICAL.parse(ics) as unknown[]);
  test('write no line of their own', () => {
    expect(ics).not.toMatch(/^ATTENDEE/m);
    const events = calendar.getAllSubcomponents('vevent');
    expect(events.length).toBeGreaterThan(10);
    expect(events.flatMap((event) => event.getAllProperties('attendee'))).toEqual([]);
    expect(calendar.getFirstPropertyValue('x-wr-calname')).not.toMatch(/\n/);
  });
  test('are read again as they were, in one line', () => {
    const summaries = calendar.getAllSubcomponents('vevent').map((event) => event.getFirstPropertyValue('summary'));
    expect(summaries[0]).toContain('Apron ATTENDEE:mailto:somebody@example.invalid END:VEVENT, half; ＋ü');
  });
  test('are folded by octets, as RFC 5545 (3.1) asks', () => {
    for (const line of ics.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(ics.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  });
});
