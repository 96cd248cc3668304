import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import { newBrief } from '@/core/kept/new-brief';
import type { Result } from '@/core/interchange/result';
import { addToShelf } from '@/data/catalogue';
import { newAct, perform } from '@/data/acts';
import { createBrief } from '@/data/briefs';
import { loadBrief } from '@/data/read-brief';
import { closePool, pool } from '@/data/database';
import { ownDatabase } from '@tests/support/own-database';
import '@tests/support/next-request';
import { tellAll } from '@tests/support/house';
import { stamp } from '@tests/support/stamp';

/** What is typed at Evidence reaches what is kept as it was meant, or is asked about. */

const { addSighting, enterCell, ruleAsSettled } = await import('./evidence');
const { save } = await import('./records');

let briefId = '';
beforeAll(() => ownDatabase('evidence_actions_test'));
beforeEach(async () => {
  await pool().query('truncate brief, colour_system, colour_code, change, act cascade');
  await tellAll();
  const setup = newBrief('2026-11-26');
  briefId = (
    await createBrief({
      brief: { ...setup.brief, timeZone: 'Europe/Berlin' },
      airframe: { ...setup.airframe, type: 'Testbird', targetFrom: '1951-05-08', targetTo: '1951-05-14' },
      sessions: [],
    })
  ).value;
  await perform(newAct(null, 'colours'), (writer) =>
    addToShelf(writer, {
      systems: ['TCS', 'VKN'].map((name) => ({ name, title: name, shape: 'digits', prefix: name, digits: 2 })),
      codes: [
        ['TCS', 'TCS 12', 'Slate grey'],
        ['TCS', 'TCS 27', 'Fen green'],
        ['VKN', 'VKN 12', 'Sand'],
      ].map(([system, code, name]) => ({
        code: { system: system!, code: code!, name: name!, finish: 'matt', kind: 'solid', ground: '', flop: '' },
        chips: [],
      })),
      relations: [],
      lines: [],
    }),
  );
});
afterAll(closePool);

const make = async (zone: string, source: object = {}) =>
  (
    await perform(newAct(briefId, 'evidence'), async (writer) => ({
      questionId: (await writer.insert('question', { zone, aspect: 'colour', item: '' })).id,
      sourceId: (
        await writer.insert('source', {
          ...BLANK_SOURCE,
          title: 'Apron',
          dateFrom: '1951-05-10',
          dateTo: '1951-05-10',
          ...source,
        })
      ).id,
    }))
  ).value;
const type = (place: { questionId: string; sourceId: string }, text: string) =>
  enterCell({ act: stamp(), briefId, ...place, text, standing: null });
const rule = (questionId: string, fields: object) =>
  save({
    act: stamp(),
    briefId,
    station: 'evidence',
    entity: 'ruling',
    id: null,
    version: null,
    fields: { questionId, ruledBy: 'builder', reason: '', basis: 'supported', ...fields },
  });
const faultOf = (result: Result<unknown>) => (!result.ok && 'faults' in result ? result.faults[0]! : null);

describe('a cell of the ledger', () => {
  test('keeps a code as its standard prints it', async () => {
    expect((await type(await make('fin-port'), '27')).ok).toBe(true);
    expect((await loadBrief(briefId))!.sightings[0]!.value).toBe('TCS 27');
  });
  test('asks which of two standards is meant, and offers the code that bears the name', async () => {
    const place = await make('fin-port');
    expect(faultOf(await type(place, '12'))!.offers).toEqual(['TCS 12', 'VKN 12']);
    expect(faultOf(await type(place, 'slate grey'))!.offers).toEqual(['TCS 12']);
    expect((await loadBrief(briefId))!.sightings).toEqual([]);
    expect((await type(place, '"slate grey"')).ok).toBe(true);
    expect((await loadBrief(briefId))!.sightings[0]!.value).toBe('slate grey');
  });
  test('of a side that the source does not show is taken as inferred, with the reason, and refused where it claims more', async () => {
    const place = await make('fin-starboard', { sides: ['port'] });
    expect(faultOf(await type(place, '27 *'))!.says).toMatch(/shows the port side only/);
    expect((await type(place, '27')).ok).toBe(true);
    expect((await loadBrief(briefId))!.sightings[0]).toMatchObject({
      clarity: 'inferred',
      note: 'inferred: the source shows the port side only',
    });
  });
});

describe('a sighting from the form', () => {
  test('of the other side is refused at its clarity, and what would do is offered', async () => {
    const { sourceId } = await make('fin-starboard', { sides: ['port'] });
    const said = { ...BLANK_SIGHTING, zone: 'fin-starboard', aspect: 'colour', sourceId, value: 'TCS 27' };
    expect(faultOf(await addSighting({ act: stamp(), briefId, ...said }))).toMatchObject({
      field: 'clarity',
      offers: ['inferred'],
    });
    expect((await addSighting({ act: stamp(), briefId, ...said, clarity: 'inferred' })).ok).toBe(true);
  });
});

describe('a ruling', () => {
  test('that the support does not favour asks there and then on what it rests', async () => {
    const place = await make('fin-port');
    await type(place, '27');
    expect(faultOf(await rule(place.questionId, { value: 'VKN 12', reason: 'taste' }))).toMatchObject({
      field: 'basis',
      offers: ['choice', 'departure', 'liberty'],
    });
    expect((await rule(place.questionId, { value: 'VKN 12', reason: 'taste', basis: 'departure' })).ok).toBe(true);
  });
  test('of what the sources settle needs no typed reason; of what they do not, it does', async () => {
    const place = await make('fin-port');
    await type(place, '27');
    expect((await rule(place.questionId, { value: '27' })).ok).toBe(true);
    expect((await loadBrief(briefId))!.rulings[0]).toMatchObject({ value: 'TCS 27', basis: 'supported' });
    const weak = await make('fin-starboard', { title: 'Caption', kind: 'caption' });
    await type(weak, '27');
    expect(faultOf(await rule(weak.questionId, { value: '27' }))!.field).toBe('reason');
  });
  test('of several settled questions is one act, and names one that is not settled instead of ruling any', async () => {
    const [one, other] = [await make('fin-port'), await make('fin-starboard', { title: 'Other' })];
    await type(one, '27');
    await type(other, 'TCS 12');
    const act = stamp();
    const questionIds = [one.questionId, other.questionId];
    expect((await ruleAsSettled({ act, briefId, questionIds })).ok).toBe(true);
    expect((await loadBrief(briefId))!.rulings.map(({ value }) => value).sort()).toEqual(['TCS 12', 'TCS 27']);
    const weak = await make('cowling-port', { title: 'Caption', kind: 'caption' });
    const answer = await ruleAsSettled({ act: stamp(), briefId, questionIds: [weak.questionId] });
    expect(faultOf(answer)!.says).toMatch(/do not settle it/);
  });
});
