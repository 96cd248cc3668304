import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { chemistryTrouble } from './chemistry-trouble';
import { standingIn } from '@/core/derive/standing';

const enamelBays = (remedies: { over: string; under: string; remedy: 'barrier' | 'mist' }[] = []) => {
  const { view } = viewOfDemo((state) => {
    state.brief = { ...state.brief, remedies };
  });
  // The paint of the bays as an enamel: what is derived from it is built anew.
  const steps = view.route.steps.map((step) =>
    step.key === 'bay:TCS 42'
      ? { ...step, lays: step.lays.map((layer) => ({ ...layer, chemistry: 'EN' as const })) }
      : step,
  );
  const route = { ...view.route, steps };
  return { ...view, route, standing: standingIn(route, view.outline, view.state) };
};

describe('what attacks what', () => {
  test('one sentence for all zones of two steps, with what helps and what the route can do of it', () => {
    const { open, waited } = chemistryTrouble(enamelBays());
    const washed = open.find(({ over }) => over === 'wash-bays')!;
    expect(washed).toMatchObject({ grave: true, taken: null, underTitle: expect.stringMatching(/Bay primer green/) });
    expect(washed.where).toMatch(/main-wheel bays/);
    expect(washed.remedies.filter(({ canTake }) => canTake).map(({ id }) => id)).toEqual(['barrier']);
    expect(waited).toBeGreaterThan(0);
  });
  test('what is taken comes after what stands open', () => {
    const { open } = chemistryTrouble(enamelBays([{ over: 'wash-bays', under: 'bay:TCS 42', remedy: 'mist' }]));
    expect(open.at(-1)!.taken).toBe('mist');
  });
});
