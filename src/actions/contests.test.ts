import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BLANK_PART, BLANK_SOURCE } from '@/core/kept/blank';
import type { Fields } from '@/core/kept/records';
import { newBrief } from '@/core/kept/new-brief';
import { contradictionsIn } from '@/core/kept/contradictions';
import { RECORDS, type RecordName } from '@/core/kept/records';
import { briefFileSchema } from '@/core/interchange/brief-file';
import type { Result } from '@/core/interchange/result';
import { exportBrief, importBrief } from '@/data/brief-files';
import { loadBrief } from '@/data/read-brief';
import { closePool, pool } from '@/data/database';
import { lookAt } from '@/data/snapshot';
import { ownDatabase } from '@tests/support/own-database';
import '@tests/support/next-request';
import { stamp } from '@tests/support/stamp';

/** Two tabs that each look sound by themselves: what one of them did is known to the other's check, and nothing contradicts itself. */

const { createBrief } = await import('./briefs');
const { viewOf } = await import('./brief-of');
const { addSources, enterCell } = await import('./evidence');
const { chooseOption } = await import('./kit');
const { remove, replay, save, undo } = await import('./records');

let briefId = '';
const state = async () => (await loadBrief(briefId))!;
const value = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result));
  return result.value;
};
const says = (result: Result<unknown>) =>
  !result.ok && 'faults' in result ? result.faults.map((fault) => fault.says).join('; ') : '';
const ALL = new Set(Object.keys(RECORDS) as RecordName[]);

beforeAll(() => ownDatabase('contests_test'));
beforeEach(async () => {
  await pool().query('truncate brief, change, act cascade');
  const { brief, airframe, sessions } = newBrief('2026-11-26');
  const type = { ...airframe, type: 'Testbird', serial: 'T 7' };
  briefId = value(await createBrief({ act: stamp(), brief, airframe: type, sessions }));
});
afterAll(closePool);

const kept = (entity: string, id: string, version: number, fields: object) =>
  save({ briefId, act: stamp(), station: 'evidence', entity, id, version, fields });
const made = async (entity: string, fields: object) =>
  value(await save({ briefId, act: stamp(), station: 'evidence', entity, id: null, version: null, fields }));
const source = (title: string): Fields<'source'> => ({ ...BLANK_SOURCE, title });
const part = (number: string) => ({ ...BLANK_PART, sprue: 'A', number });

/** One is done, the other is refused and says why. */
const oneOf = (results: readonly Result<unknown>[], why: RegExp) => {
  expect(results.filter(({ ok }) => ok)).toHaveLength(1);
  expect(results.map(says).join('')).toMatch(why);
};

/** Two steps of which neither has to come before the other. */
async function twoFreeSteps(): Promise<[string, string]> {
  const view = await lookAt(briefId, async (at) => (await viewOf(at)).view);
  const { steps, links } = view.route;
  const behind = (key: string) => {
    const found = new Set([key]);
    for (const reached of found) for (const { from, to } of links) if (from === reached) found.add(to);
    return found;
  };
  for (const { key: a } of steps)
    for (const { key: b } of steps) if (a !== b && !behind(a).has(b) && !behind(b).has(a)) return [a, b];
  throw new Error('every step has its place');
}

describe('at the same moment', () => {
  test('two sources are not derived from one another', async () => {
    const [a, b] = [await made('source', source('A')), await made('source', source('B'))];
    oneOf(
      await Promise.all([
        kept('source', a.id, a.version, { derivedFrom: [b.id] }),
        kept('source', b.id, b.version, { derivedFrom: [a.id] }),
      ]),
      /circle/,
    );
  });
  test('two parts do not replace one another', async () => {
    const [a, b] = [await made('part', part('1')), await made('part', part('2'))];
    oneOf(
      await Promise.all([
        kept('part', a.id, a.version, { replacesIds: [b.id] }),
        kept('part', b.id, b.version, { replacesIds: [a.id] }),
      ]),
      /a circle/,
    );
  });
  test('two parts do not take the same number, however it is written', async () => {
    oneOf(
      await Promise.all(
        ['7', '07'].map((number) =>
          save({
            briefId,
            act: stamp(),
            station: 'kit',
            entity: 'part',
            id: null,
            version: null,
            fields: part(number),
          }),
        ),
      ),
      /in the register already/,
    );
  });
  test('two orders of steps do not run in a circle', async () => {
    const order = (rank: number, first: string, then: string) =>
      save({
        briefId,
        act: stamp(),
        station: 'route',
        entity: 'route_edit',
        id: null,
        version: null,
        fields: { rank, edit: { kind: 'order', first, then, wait: 0 } },
      });
    const [a, b] = await twoFreeSteps();
    oneOf(await Promise.all([order(1, a, b), order(2, b, a)]), /circle|cannot be/i);
  });
  test('one cell does not say two things', async () => {
    const { id: sourceId } = await made('source', source('A'));
    const question = (await state()).questions.find(({ aspect }) => aspect === 'wear' || aspect === 'marking')!;
    const typed = (text: string) =>
      enterCell({ briefId, act: stamp(), questionId: question.id, sourceId, text, standing: null });
    const results = await Promise.all([typed('yes'), typed('no')]);
    expect(results.filter(({ ok }) => ok)).toHaveLength(1);
    // The second sees what stands there now.
    expect(results.find(({ ok }) => !ok)).toMatchObject({ conflict: { entity: 'sighting' } });
    expect((await state()).sightings).toHaveLength(1);
  });
  test('two subjects are not called alike', async () => {
    const subject = (title: string) =>
      save({
        briefId,
        act: stamp(),
        station: 'kit',
        entity: 'subject',
        id: null,
        version: null,
        fields: { kind: 'figure', title, count: 1, note: '' },
      });
    const results = await Promise.all([subject('Pilot'), subject('pilot')]);
    expect((await state()).subjects.length).toBeLessThanOrEqual(1);
    expect(results.some(({ ok }) => !ok)).toBe(true);
  });
  test('an option and a machine that exclude one another do not both come', async () => {
    const { brief, airframe } = await state();
    await Promise.all([
      chooseOption({ briefId, act: stamp(), version: brief.version, option: 'wings', choice: 'folded' }),
      kept('airframe', airframe.id, airframe.version, { preset: 'rotorcraft' }),
    ]);
    expect(contradictionsIn(await state(), ALL)).toEqual([]);
  });
  test('what is said of a source that is being removed is refused or falls with it', async () => {
    const { id: sourceId, version } = await made('source', source('A'));
    const question = (await state()).questions[0]!;
    await Promise.all([
      remove({ briefId, act: stamp(), station: 'evidence', entity: 'source', id: sourceId, version }),
      enterCell({ briefId, act: stamp(), questionId: question.id, sourceId, text: 'yes', standing: null }),
    ]);
    const { sources, sightings } = await state();
    expect(sightings.filter((one) => !sources.some(({ id }) => id === one.sourceId))).toEqual([]);
  });
});

describe('within one act', () => {
  test('two rows do not contradict one another either', async () => {
    const [a, b] = [await made('source', source('A')), await made('source', source('B'))];
    const result = await replay({
      stamp: stamp(),
      briefId,
      station: 'evidence',
      updated: [
        { entity: 'source', ...a, fields: { derivedFrom: [b.id] } },
        { entity: 'source', ...b, fields: { derivedFrom: [a.id] } },
      ],
    });
    expect(says(result)).toMatch(/circle/);
    expect((await state()).sources.map(({ derivedFrom }) => derivedFrom)).toEqual([[], []]);
  });
  test('more than a brief can hold is refused whole', async () => {
    const sources = Array.from({ length: 100 }, (_, i) => source(`S ${i}`));
    for (let n = 0; n < 20; n += 1) value(await addSources({ briefId, act: stamp(), sources }));
    const result = await addSources({ briefId, act: stamp(), sources: [source('one more')] });
    expect(says(result)).toMatch(/at most 2000/);
  });
});

test('undo passes over what would contradict what came since', async () => {
  const [a, b] = [await made('source', source('A')), await made('source', source('B'))];
  const linked = value(await kept('source', a.id, a.version, { derivedFrom: [b.id] }));
  value(await kept('source', a.id, linked.version, { derivedFrom: [] }));
  // By somebody else, so that the builder's own last act is the one that let the link go.
  const other = { ...stamp(), by: 'a friend' };
  value(
    await save({
      briefId,
      act: other,
      station: 'evidence',
      entity: 'source',
      id: b.id,
      version: b.version,
      fields: { derivedFrom: [a.id] },
    }),
  );
  const { passed } = value(await undo({ briefId, act: stamp() }));
  expect(passed[0]!.says).toMatch(/circle/);
  expect(contradictionsIn(await state(), ALL)).toEqual([]);
});

/** What anybody may send as an act: records of a few kinds, sound and unsound, naming one another. */
const anyAct = fc.oneof(
  fc.record({
    entity: fc.constant('source'),
    fields: fc.record({
      title: fc.constantFrom('A', 'B', ''),
      dateFrom: fc.constantFrom(null, '1951-05-01'),
      dateTo: fc.constantFrom(null, '1950-01-01'),
    }),
    links: fc.constant('derivedFrom'),
  }),
  fc.record({
    entity: fc.constant('part'),
    fields: fc.record({
      sprue: fc.constantFrom('A', 'a'),
      number: fc.constantFrom('1', '01', '2', '3'),
      orderedUntil: fc.constantFrom(null, '2020-01-01'),
    }),
    links: fc.constant('replacesIds'),
  }),
  fc.record({
    entity: fc.constant('subject'),
    fields: fc.record({ kind: fc.constant('figure'), title: fc.constantFrom('Pilot', 'PILOT', 'Base') }),
    links: fc.constant(null),
  }),
  fc.record({
    entity: fc.constant('brief'),
    fields: fc.record({ boughtOn: fc.constantFrom(null, '2026-01-01') }),
    links: fc.constant(null),
  }),
);

test('whatever was done, the backup goes out whole and comes back', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(anyAct, fc.nat(5), fc.boolean()), { maxLength: 12 }), async (acts) => {
      const blank: Record<string, object> = { source: source('X'), part: part('9'), subject: { count: 1, note: '' } };
      for (const [{ entity, fields, links }, to, change] of acts) {
        const now = await state();
        const list = { source: now.sources, part: now.parts, subject: now.subjects, brief: [now.brief] }[entity]!;
        const target = list[to % Math.max(1, list.length)];
        const link = links && target ? { [links]: [target.id] } : {};
        const standing = change || entity === 'brief' ? list.at(-1) : undefined;
        await save({
          briefId,
          act: stamp(),
          station: 'kit',
          entity,
          id: standing?.id ?? null,
          version: standing?.version ?? null,
          fields: { ...(standing ? {} : blank[entity]), ...fields, ...link },
        });
      }
      const { file } = (await exportBrief(briefId))!;
      expect(file.repaired).toEqual([]);
      await importBrief(briefFileSchema.parse(file));
    }),
    { numRuns: 25, seed: 24 },
  );
});
