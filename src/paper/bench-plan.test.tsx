/** @jest-environment node */
import { describe, expect, test } from '@jest/globals';
import { NOW, viewOfDemo } from '@tests/support/demo-brief';
import { benchPlan } from './bench-plan';
import { printed } from '@tests/support/paper';

describe('the plan on paper', () => {
  const { view } = viewOfDemo();
  const plan = benchPlan(view, new Date(NOW).toISOString());
  test('has every step that is to be done once in each of its sessions, none that is done', () => {
    const left = view.plan.work.filter(({ done }) => !done);
    const titles = plan.sessions.flatMap(({ steps }) => steps.map(({ title }) => title.replace(/, goes on$/, '')));
    for (const { step } of left) expect(titles).toContain(step.title);
    for (const { step, done } of view.plan.work)
      if (done && !left.some((other) => other.step.title === step.title)) expect(titles).not.toContain(step.title);
  });
  test('says until when a wash is wiped, with the clock', () => {
    const wash = plan.sessions
      .flatMap(({ steps }) => steps)
      .find(({ title }) => title.startsWith('Wash the interior'))!;
    expect(wash.then).toMatch(/^Wipe the wash off the interior: from .* \d\d:\d\d until .* \d\d:\d\d/);
  });
  test('one filling of the airbrush after the other is said above the session', () => {
    const sprayed = plan.sessions.find(({ airbrush }) => airbrush.includes(', then '))!;
    expect(sprayed.airbrush).toMatch(/^Airbrush: /);
  });
  test('is a PDF', async () => {
    const bytes = await printed({ kind: 'bench plan', data: plan });
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  });
});
