import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/derive/derive';
import { newBrief } from '@/core/kept/new-brief';
import type { Result } from '@/core/interchange/result';
import { asAccepted, type AcceptedPlan } from '@/core/route/accepted-plan';
import type { RouteEdit } from '@/core/route/edits';
import { loadBrief } from '@/data/read-brief';
import { closePool, pool } from '@/data/database';
import { loadShelf } from '@/data/shelf';
import { ownDatabase } from '@tests/support/own-database';
import '@tests/support/next-request';
import { stamp } from '@tests/support/stamp';
import { nowUtc } from '@/clock/now';

/** The plan is kept as it was seen, and edits of the route only where they can be made. */

const { createBrief } = await import('./briefs');
const { acceptPlan, letPlanGo, planInput } = await import('./plan');
const { remove, save, undo } = await import('./records');

let briefId = '';
const view = async () => deriveBrief((await loadBrief(briefId))!, await loadShelf(), { nowUtc: nowUtc(), effort: 0 });
const says = (result: Result<unknown>) =>
  !result.ok && 'faults' in result ? result.faults.map((fault) => fault.says) : [];
const value = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result));
  return result.value;
};
const accept = (laid: AcceptedPlan['laid']) => acceptPlan({ act: stamp(), briefId, laid });
const edit = (change: RouteEdit, rank = 0) =>
  save({
    act: stamp(),
    briefId,
    station: 'route',
    entity: 'route_edit',
    id: null,
    version: null,
    fields: { rank, edit: change },
  });

beforeAll(() => ownDatabase('plan_actions_test'));
beforeEach(async () => {
  await pool().query('truncate brief, change, act cascade');
  const { brief, airframe, sessions } = newBrief('2026-11-26');
  briefId = value(
    await createBrief({
      act: stamp(),
      brief: { ...brief, timeZone: 'Europe/Berlin' },
      airframe: { ...airframe, type: 'Testbird', serial: 'T 7' },
      sessions: sessions.length > 0 ? sessions : [{ weekday: 2, startsAt: '19:00', minutes: 180, booth: true }],
    }),
  );
});
afterAll(closePool);

describe('the kept plan', () => {
  test('is what was seen; a new step then waits to be accepted; letting it go and undoing both work', async () => {
    const first = await view();
    expect(first.proposal).toBeNull();
    value(await accept(asAccepted(first.plan)));
    expect((await view()).proposal).toMatchObject({ changes: [] });
    value(
      await edit({
        kind: 'add',
        key: 'own:lights',
        title: 'Test the lights',
        work: 'test',
        lane: 'Fuselage',
        minutes: 20,
        after: ['check-parts'],
        before: [],
      }),
    );
    const then = await view();
    expect(then.proposal!.changes).toMatchObject([{ key: 'own:lights', kind: 'new' }]);
    expect(then.plan.work.some(({ key }) => key === 'own:lights')).toBe(false);
    value(await accept(asAccepted(then.proposal!.next)));
    const kept = await view();
    expect(kept.proposal!.changes).toEqual([]);
    expect(kept.plan.work.some(({ key }) => key === 'own:lights')).toBe(true);
    value(await letPlanGo({ act: stamp(), briefId }));
    expect((await view()).proposal).toBeNull();
    value(await undo({ briefId, act: stamp() }));
    expect((await view()).proposal).toMatchObject({ changes: [] });
  });

  test('one that the brief does not bear is refused with the step that stands against it', async () => {
    const laid = asAccepted((await view()).plan);
    const [one, ...rest] = laid;
    expect(says(await accept(rest))).toEqual([expect.stringMatching(new RegExp(`“${one!.title}”: not planned`))]);
    const strange = { key: 'nowhere', title: 'Paint the moon', segments: one!.segments };
    expect(says(await accept([...laid, strange]))).toEqual([expect.stringMatching(/Paint the moon” is no longer/)]);
    expect(says(await accept([{ ...one!, segments: [[0, 10]] }, ...rest]))).toHaveLength(1);
    expect((await view()).proposal).toBeNull();
  });

  test('a worker gets all that a plan is made from', async () => {
    const { route, settings, done } = value(await planInput({ briefId }));
    expect(route.steps.map(({ key }) => key)).toEqual((await view()).route.steps.map(({ key }) => key));
    expect([settings.timeZone, done]).toEqual(['Europe/Berlin', []]);
  });
});

describe('edits of the route', () => {
  test('a circle is refused and named; the route stays as it was', async () => {
    const before = (await view()).route.links;
    const refused = await edit({ kind: 'order', first: 'matt', then: 'check-parts', wait: 0 });
    expect(says(refused)).toEqual([expect.stringMatching(/^It cannot be: it would go in a circle: “/)]);
    expect((await view()).route.links).toEqual(before);
  });
  test('what is no number, and a step that is not there, are refused with a sentence', async () => {
    expect(says(await edit({ kind: 'change', step: 'matt', title: null, minutes: 0 }))).toEqual([
      'Minutes: at least 1',
    ]);
    expect(says(await edit({ kind: 'off', step: 'nowhere' }))).toEqual([
      'It cannot be: a step that it names is not in the route now.',
    ]);
  });
  test('they survive a change of the brief, sleep where their step is gone, and are taken back', async () => {
    const { id, version } = value(await edit({ kind: 'change', step: 'fit-gear', title: null, minutes: 95 }));
    const minutes = async () => (await view()).route.steps.find(({ key }) => key === 'fit-gear')?.minutes;
    expect(await minutes()).toBe(95);
    const { brief } = (await loadBrief(briefId))!;
    const options = { ...brief.options, gear: 'up', stand: 'a rod' } as const;
    value(
      await save({
        act: stamp(),
        briefId,
        station: 'kit',
        entity: 'brief',
        id: briefId,
        version: brief.version,
        fields: { options },
      }),
    );
    expect(await minutes()).toBeUndefined();
    expect((await view()).route.sleeping).toHaveLength(1);
    value(await undo({ briefId, act: stamp() }));
    expect(await minutes()).toBe(95);
    value(await remove({ act: stamp(), briefId, station: 'route', entity: 'route_edit', id, version }));
    expect(await minutes()).not.toBe(95);
  });
});
