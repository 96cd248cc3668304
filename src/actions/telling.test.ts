import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { newBrief } from '@/core/kept/new-brief';
import { BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import type { Result } from '@/core/interchange/result';
import { exportBrief } from '@/data/brief-files';
import { loadBrief } from '@/data/read-brief';
import { closePool, pool } from '@/data/database';
import { revisionsOf } from '@/data/revisions';
import { ownDatabase } from '@tests/support/own-database';
import '@tests/support/next-request';
import { tellAll } from '@tests/support/house';
import { stamp } from '@tests/support/stamp';

/** What an act would turn is told before, kept by nobody, and told again in the same words when it is done. */

const { createBrief, saveSetup } = await import('./briefs');
const { addSighting } = await import('./evidence');
const { chooseOption } = await import('./kit');
const { remove, save, undo } = await import('./records');
const { weighOption, weighRemoval, weighSave, weighSetup } = await import('./weighing');

const value = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result));
  return result.value;
};
const turned = (result: Result<unknown>): readonly string[] => {
  if (!result.ok) throw new Error(JSON.stringify(result));
  return (result.turned ?? []).map(({ says }) => says);
};
const saysOf = (turns: readonly { says: string }[]) => turns.map(({ says }) => says);

let briefId = '';
const state = async () => (await loadBrief(briefId))!;
const everything = async () => [(await exportBrief(briefId))!.file, await revisionsOf(pool(), briefId)];
const saved = async (entity: string, fields: object) =>
  value(await save({ act: stamp(), briefId, station: 'evidence', entity, id: null, version: null, fields }));

/** Two photographs of the fin, a year apart, that disagree; the day depicted lies beside the first. */
async function twoPhotographs() {
  const [early, late] = await Promise.all(
    ['1951-06-01', '1953-06-01'].map(async (day) =>
      saved('source', { ...BLANK_SOURCE, kind: 'photograph', title: `Of ${day}`, dateFrom: day, dateTo: day }),
    ),
  );
  const say = async (source: { id: string }, height: string) =>
    value(
      await addSighting({
        act: stamp(),
        briefId,
        zone: 'fin-port',
        aspect: 'finish',
        ...BLANK_SIGHTING,
        sourceId: source.id,
        value: height,
      }),
    );
  const { questionId } = await say(early!, 'matt');
  await say(late!, 'gloss');
  await saved('ruling', { questionId, value: 'matt', basis: 'supported', reason: 'as seen', ruledBy: 'me' });
  return { early: early!, late: late!, questionId };
}

async function setup(change: (both: { brief: Record<string, unknown>; airframe: Record<string, unknown> }) => void) {
  const { brief, airframe } = await state();
  const { id, version, ...ofBrief } = structuredClone(brief);
  const { id: airframeId, version: ofAirframe, ...machine } = structuredClone(airframe);
  const both = { brief: ofBrief as Record<string, unknown>, airframe: machine as Record<string, unknown> };
  change(both);
  return {
    act: stamp(),
    briefId,
    brief: { id, version, fields: both.brief },
    airframe: { id: airframeId, version: ofAirframe, fields: both.airframe },
  };
}

beforeAll(() => ownDatabase('telling_test'));
beforeEach(async () => {
  await pool().query('truncate brief, tool, colour_system, colour_code, change, act cascade');
  await tellAll();
  const { brief, airframe, sessions } = newBrief('2026-11-26');
  briefId = value(
    await createBrief({
      act: stamp(),
      brief: { ...brief, timeZone: 'Europe/Berlin' },
      airframe: { ...airframe, type: 'Testbird', serial: 'T 7', targetFrom: '1951-06-01', targetTo: '1951-06-01' },
      sessions,
    }),
  );
});
afterAll(closePool);

describe('a change is weighed', () => {
  test('another day: the ruling that falls is told before and after in the same words, and nothing is kept of the trial', async () => {
    await twoPhotographs();
    const asked = await setup(({ airframe }) =>
      Object.assign(airframe, { targetFrom: '1953-06-01', targetTo: '1953-06-01' }),
    );
    const before = await everything();
    const foretold = saysOf(value(await weighSetup(asked)));
    expect(await everything()).toEqual(before);
    expect(foretold[0]).toMatch(
      /^1 ruling no longer stands: .*finish: matt 0\.\d\d against gloss 0\.\d\d: look again$/,
    );
    expect(turned(await saveSetup({ ...asked, act: stamp() }))).toEqual(foretold);
  });
  test('a source taken away takes its word with it', async () => {
    const { early, questionId } = await twoPhotographs();
    const names = { briefId, station: 'evidence', entity: 'source', id: early.id, version: early.version };
    const turns = value(await weighRemoval({ act: stamp(), ...names }));
    expect(turns[0]).toMatchObject({ at: 'evidence', questionId });
    expect((await state()).sources).toHaveLength(2);
    expect(turned(await remove({ act: stamp(), ...names }))).toEqual(saysOf(turns));
    // Taken back, the ruling stands as it did.
    value(await undo({ act: stamp(), briefId }));
    expect((await state()).sources).toHaveLength(2);
  });
  test('a source that is dated otherwise', async () => {
    const { late } = await twoPhotographs();
    const fields = { dateFrom: '1951-06-01', dateTo: '1951-06-01', grade: 2, gradeReason: 'the original print' };
    const weighed = await weighSave({
      act: stamp(),
      briefId,
      station: 'evidence',
      entity: 'source',
      id: late.id,
      version: late.version,
      fields,
    });
    expect(saysOf(value(weighed)).join(' ')).toMatch(/no longer stands/);
  });
  test('what a source says against a ruling is told where it is typed', async () => {
    const { early } = await twoPhotographs();
    const more = await saved('source', {
      ...BLANK_SOURCE,
      kind: 'photograph',
      title: 'Third',
      dateFrom: '1951-06-01',
      dateTo: '1951-06-01',
    });
    const said = await Promise.all(
      [
        more,
        await saved('source', {
          ...BLANK_SOURCE,
          kind: 'photograph',
          title: 'Fourth',
          dateFrom: '1951-06-01',
          dateTo: '1951-06-01',
        }),
      ].map((source) =>
        addSighting({
          act: stamp(),
          briefId,
          zone: 'fin-port',
          aspect: 'finish',
          ...BLANK_SIGHTING,
          sourceId: source.id,
          value: 'gloss',
        }),
      ),
    );
    expect(early.id).not.toBe(more.id);
    expect(said.flatMap(turned).filter((says) => says.includes('no longer stands'))).toHaveLength(1);
  });
  test('an option, with the plan that it makes', async () => {
    const { brief } = await state();
    const chosen = { briefId, version: brief.version, option: 'weathering', choice: 'none' };
    const before = await everything();
    const foretold = saysOf(value(await weighOption({ act: stamp(), ...chosen })));
    expect(await everything()).toEqual(before);
    expect(foretold.join(' ')).toMatch(/The plan: .*fewer/);
    expect(turned(await chooseOption({ act: stamp(), ...chosen }))).toEqual(foretold);
  });
  test('what would be refused is refused on trial in the same words', async () => {
    const { early } = await twoPhotographs();
    const names = { briefId, station: 'evidence', entity: 'source', id: early.id, version: early.version };
    const fields = { title: '' };
    const trial = await weighSave({ act: stamp(), ...names, fields });
    const act = await save({ act: stamp(), ...names, fields });
    expect(trial).toEqual(act);
    expect(trial).toMatchObject({ ok: false, faults: [{ field: 'title' }] });
    expect(await weighRemoval({ act: stamp(), ...names, version: 99 })).toMatchObject({
      ok: false,
      conflict: { entity: 'source', id: early.id },
    });
  });
  test('an act that arrives twice turns nothing the second time', async () => {
    await twoPhotographs();
    const asked = await setup(({ airframe }) =>
      Object.assign(airframe, { targetFrom: '1953-06-01', targetTo: '1953-06-01' }),
    );
    expect(turned(await saveSetup(asked)).length).toBeGreaterThan(0);
    expect(turned(await saveSetup(asked))).toEqual([]);
  });
});
