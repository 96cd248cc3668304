import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { STRIPPED_FIRST } from '@/core/bench/mishaps';
import type { Result } from '@/core/interchange/result';
import { listBriefs } from '@/data/brief-list';
import { loadBrief } from '@/data/read-brief';
import { closePool } from '@/data/database';
import { ownDatabase } from '@tests/support/own-database';
import '@tests/support/next-request';
import { stamp } from '@tests/support/stamp';

/** A colour that is ruled over paint, and the paint stripped first: one decision, kept and taken back as one. */

const { ruleAndStrip } = await import('./mishaps');
const { undo } = await import('./records');
const { weighSave } = await import('./weighing');

const value = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result));
  return result.value;
};

let briefId = '';
const kept = async () => (await loadBrief(briefId))!;
/** A ruling of a zone that is painted already, as the form sends it. */
let ruling = {} as Omit<Parameters<typeof weighSave>[0] & object, 'act'> & { fields: Record<string, unknown> };
let zones: string[] = [];

beforeAll(async () => {
  await ownDatabase('mishaps_test', 'demo');
  briefId = (await listBriefs())[0]!.id;
  const state = await kept();
  const painted = new Set(state.log.flatMap(({ what, zones }) => (what === 'colour' ? zones : [])));
  const codes = [...new Set(state.rulings.map(({ value }) => value))];
  for (const question of state.questions.filter(({ aspect, zone }) => aspect === 'colour' && painted.has(zone))) {
    const standing = state.rulings.find(({ questionId }) => questionId === question.id);
    if (!standing) continue;
    const { id, version, ...fields } = standing;
    const another = codes.find((code) => /^TCS/.test(code) && code !== standing.value)!;
    ruling = {
      briefId,
      station: 'evidence',
      entity: 'ruling',
      id,
      version,
      fields: { ...fields, value: another, basis: 'departure', reason: 'a print that came today' },
    } as never;
    const turns = value(await weighSave({ act: stamp(), ...ruling }));
    zones = turns.flatMap(({ strip }) => strip ?? []);
    if (zones.length > 0) return;
  }
});
afterAll(closePool);

describe('ruled anew over paint, and stripped first', () => {
  test('is one act: the ruling, the mishap with its zones, and its work in the plan', async () => {
    expect(zones.length).toBeGreaterThan(0);
    const before = await kept();
    value(await ruleAndStrip({ act: stamp(), ...ruling, strip: zones }));
    const after = await kept();
    expect(after.rulings.find(({ questionId }) => questionId === ruling.fields.questionId)!.value).toBe(
      ruling.fields.value,
    );
    const came = after.mishaps.filter(({ id }) => !before.mishaps.some((own) => own.id === id));
    expect(came.map(({ kind, cure, zones: of }) => ({ kind, cure, zones: of }))).toEqual([
      { ...STRIPPED_FIRST, zones },
    ]);
    expect(came[0]!.run!.steps.length).toBeGreaterThan(0);
    // What was done stays done until the stripping is logged.
    expect(after.log).toEqual(before.log);

    value(await undo({ act: stamp(), briefId }));
    const back = await kept();
    expect(back.mishaps).toEqual(before.mishaps);
    expect(back.rulings.map(({ questionId, value: code }) => [questionId, code]).sort()).toEqual(
      before.rulings.map(({ questionId, value: code }) => [questionId, code]).sort(),
    );
  });

  test('refuses zones that this machine has not, and keeps nothing of it', async () => {
    const before = await kept();
    const standing = before.rulings.find(({ questionId }) => questionId === ruling.fields.questionId)!;
    const answer = await ruleAndStrip({
      act: stamp(),
      ...ruling,
      id: standing.id,
      version: standing.version,
      strip: ['tail-boom-of-another'],
    });
    expect(answer).toMatchObject({ ok: false, faults: [{ field: 'zones', says: 'This machine has no such zone.' }] });
    expect((await kept()).rulings).toEqual(before.rulings);
    expect((await kept()).mishaps).toEqual(before.mishaps);
  });
});
