import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { BLANK_PART } from '@/core/kept/blank';
import { newBrief } from '@/core/kept/new-brief';
import type { Result } from '@/core/interchange/result';
import { addToShelf } from '@/data/catalogue';
import { newAct, perform } from '@/data/acts';
import { loadBrief } from '@/data/read-brief';
import { closePool, pool } from '@/data/database';
import { ownDatabase } from '@tests/support/own-database';
import '@tests/support/next-request';
import { tellAll } from '@tests/support/house';
import { stamp } from '@tests/support/stamp';

/** What is said at Kit, and of many zones at once, is kept whole or refused with its reason. */

const { createBrief } = await import('./briefs');
const { askAll, changeParts, chooseOption, leaveOut, lookAtParts, removeParts, sayOfParts, takeParts } =
  await import('./kit');
const { copySide, sayForMany, sayList, takeWord } = await import('./say-for-many');
const { save, undo } = await import('./records');

let briefId = '';
const state = async () => (await loadBrief(briefId))!;
const says = (result: Result<unknown>) =>
  !result.ok && 'faults' in result ? result.faults.map((fault) => fault.says) : [];
const value = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result));
  return result.value;
};

beforeAll(() => ownDatabase('kit_actions_test'));
beforeEach(async () => {
  await pool().query('truncate brief, tool, colour_system, colour_code, change, act cascade');
  await tellAll();
  await perform(newAct(null, 'colours'), (writer) =>
    addToShelf(writer, {
      systems: [{ name: 'TCS', title: 'TCS', shape: 'digits', prefix: 'TCS', digits: 2 }],
      codes: ['TCS 12', 'TCS 27'].map((code) => ({
        code: { system: 'TCS', code, name: code, finish: 'matt', kind: 'solid', ground: '', flop: '' },
        chips: [],
      })),
      relations: [],
      lines: [],
    }),
  );
  const { brief, airframe, sessions } = newBrief('2026-11-26');
  const made = await createBrief({
    act: stamp(),
    brief: { ...brief, timeZone: 'Europe/Berlin' },
    airframe: { ...airframe, type: 'Testbird', serial: 'T 7' },
    sessions,
  });
  briefId = value(made);
});
afterAll(closePool);

describe('a new brief', () => {
  test('stands with the questions that it raises, and one undo never leaves it half made', async () => {
    const { questions, brief } = await state();
    expect(questions.length).toBeGreaterThan(40);
    expect(questions).toContainEqual(expect.objectContaining({ zone: 'fin-port', aspect: 'marking', item: 'serial' }));
    expect(brief.leftOut).toEqual([]);
    expect(value(await askAll({ act: stamp(), briefId }))).toEqual({ asked: 0 });
  });
  test('with options that exclude one another is refused', async () => {
    const { brief, airframe } = newBrief('2026-11-26');
    const refused = await createBrief({
      act: stamp(),
      brief: { ...brief, options: { ...brief.options, gear: 'up' } },
      airframe: { ...airframe, type: 'X' },
      sessions: [],
    });
    expect(says(refused)[0]).toMatch(/It cannot be: with its gear up/);
  });
});

describe('an option', () => {
  const choose = async (option: string, choice: string) =>
    chooseOption({ act: stamp(), briefId, version: (await state()).brief.version, option, choice });
  test('that cannot be is refused, and nothing changes', async () => {
    expect(says(await choose('gear', 'up'))[0]).toMatch(/cannot stand on it/);
    expect((await state()).brief.options.gear).toBe('down');
    expect(says(await choose('gear', 'sideways'))[0]).toMatch(/no "sideways"/);
  });
  test('that raises questions asks them in the same act; one undo takes both back', async () => {
    const before = (await state()).questions.length;
    expect(value(await choose('crew', 'aboard')).asked).toBe(1);
    expect((await state()).questions).toHaveLength(before + 1);
    await undo({ act: stamp(), briefId });
    expect(await state()).toMatchObject({ brief: { options: { crew: 'none' } } });
    expect((await state()).questions).toHaveLength(before);
  });
  test('is not chosen over somebody else’s choice unseen', async () => {
    const { version } = (await state()).brief;
    await choose('canopy', 'open');
    const late = await chooseOption({ act: stamp(), briefId, version, option: 'doors', choice: 'open' });
    expect(late).toMatchObject({ ok: false, conflict: { entity: 'brief' } });
  });
});

describe('parts', () => {
  const say = (text: string) => sayOfParts({ act: stamp(), briefId, text });
  test('said in a line are added, and changed when they are there', async () => {
    expect(value(await say('sprue C: 1-24 sound'))).toEqual({ added: 24, changed: 0 });
    expect(value(await say('c 7, 30 broken'))).toEqual({ added: 1, changed: 1 });
    const { parts } = await state();
    expect(parts.filter(({ condition }) => condition === 'broken').map(({ number }) => number)).toEqual(['30', '7']);
    expect(says(await say('C: 5-2'))[0]).toMatch(/backwards/);
  });
  test('a part cannot stand twice, replace itself, or arrive before the kit was bought', async () => {
    await say('C 1-2 sound');
    const { parts, brief } = await state();
    const [one, two] = parts as [(typeof parts)[0], (typeof parts)[0]];
    const keep = (id: string | null, version: number | null, fields: object) =>
      save({ act: stamp(), briefId, station: 'kit', entity: 'part', id, version, fields });
    expect(says(await keep(null, null, { ...BLANK_PART, sprue: 'c', number: '01' }))[0]).toMatch(
      /in the register already/,
    );
    expect(says(await keep(one.id, 1, { replacesIds: [one.id] }))[0]).toMatch(/cannot replace itself/);
    value(await keep(one.id, 1, { replacesIds: [two.id] }));
    expect(says(await keep(two.id, 1, { replacesIds: [one.id] }))[0]).toMatch(/circle/);
    await save({
      act: stamp(),
      briefId,
      station: 'kit',
      entity: 'brief',
      id: brief.id,
      version: brief.version,
      fields: { boughtOn: '2026-11-01' },
    });
    expect(says(await keep(two.id, 1, { orderedUntil: '2026-10-01' }))[0]).toMatch(/before the kit was bought/);
    expect(says(await keep(two.id, 1, { zone: 'moon' }))[0]).toMatch(/Zone/);
    // What replaces a part has to let go of it first.
    expect(says(await removeParts({ act: stamp(), briefId, parts: [{ id: two.id, version: 1 }] }))[0]).toMatch(
      /replaces C 2/,
    );
  });
  test('many are changed in one act, and taken back in one', async () => {
    await say('C 1-20 sound');
    const { parts } = await state();
    const chosen = parts.map(({ id, version }) => ({ id, version }));
    value(await changeParts({ act: stamp(), briefId, parts: chosen, fields: { origin: 'resin', zone: 'cockpit' } }));
    expect((await state()).parts.every(({ origin, zone }) => origin === 'resin' && zone === 'cockpit')).toBe(true);
    await undo({ act: stamp(), briefId });
    expect((await state()).parts.every(({ origin }) => origin === 'kit')).toBe(true);
  });
  test('a table brings its good rows, with what replaces what and codes as their standard prints them', async () => {
    const text = 'sprue,number,replaces,colours\nT,1,C 9,12\nC,9,,\nC,9,,\n';
    expect(value(await lookAtParts({ briefId, text }))).toMatchObject({ rows: 2, faults: [{ row: 4 }] });
    expect(value(await takeParts({ act: stamp(), briefId, text }))).toEqual({ parts: 2 });
    const { parts } = await state();
    const [old, turned] = parts;
    expect(turned).toMatchObject({ sprue: 'T', replacesIds: [old!.id], codes: ['TCS 12'] });
  });
});

describe('what stands beside the machine', () => {
  const keep = (entity: string, fields: object) =>
    save({ act: stamp(), briefId, station: 'kit', entity, id: null, version: null, fields });
  const figure = {
    kind: 'figure',
    title: 'Pilot',
    count: 1,
    place: 'in the cockpit',
    role: '',
    byGate: 'fuselage',
    note: '',
  };
  test('raises its own questions; a figure without a place and a second of its name are refused', async () => {
    value(await keep('subject', figure));
    expect((await state()).questions).toContainEqual(
      expect.objectContaining({ zone: 'subject-pilot.clothes', aspect: 'colour' }),
    );
    expect(says(await keep('subject', { ...figure, title: 'Guard', place: '' }))[0]).toMatch(/^Place/);
    expect(says(await keep('subject', { ...figure, title: 'PILOT!' }))[0]).toMatch(/cannot be told from "Pilot"/);
  });
  test('a size below zero is refused where it was typed', async () => {
    const result = await keep('kit_measure', {
      title: 'Span',
      of: 'part',
      zone: '',
      trueMm: -3,
      measuredMm: 2,
      otherMm: null,
      dimension: '',
      note: '',
    });
    expect(result).toMatchObject({ ok: false, faults: [{ field: 'trueMm', says: 'True size: more than 0 mm' }] });
  });
  test('only a rule that there is can be left out', async () => {
    const { version } = (await state()).brief;
    expect(says(await leaveOut({ act: stamp(), briefId, version, rule: 'nonsense', left: true }))).toHaveLength(1);
    value(await leaveOut({ act: stamp(), briefId, version, rule: 'dials', left: true }));
    expect((await state()).brief.leftOut).toEqual(['dials']);
  });
});

describe('one statement for many zones', () => {
  const sheet = { kind: 'kit-sheet', title: 'Kit sheet' };
  const sayColour = (zones: string[], text: string, source: unknown = sheet) =>
    sayForMany({ act: stamp(), briefId, source, zones, aspect: 'colour', value: text });
  test('makes the source, reads the code, and is taken back as one', async () => {
    const { said, sourceId } = value(await sayColour(['fin-port', 'fin-starboard'], '27'));
    expect(said).toBe(2);
    const { sightings } = await state();
    expect(sightings.map((one) => [one.value, one.sourceId])).toEqual([
      ['TCS 27', sourceId],
      ['TCS 27', sourceId],
    ]);
    await undo({ act: stamp(), briefId });
    expect(await state()).toMatchObject({ sightings: [], sources: [] });
  });
  test('said again it changes what was said', async () => {
    const { sourceId } = value(await sayColour(['fin-port'], '27'));
    value(await sayColour(['fin-port', 'spinner'], '12', sourceId));
    expect((await state()).sightings.map((one) => one.value)).toEqual(['TCS 12', 'TCS 12']);
  });
  test('of no zone, of a strange one, or with a code that there is not, is refused whole', async () => {
    expect(says(await sayColour([], '27'))[0]).toMatch(/Choose the zones/);
    expect(says(await sayColour(['fin-port', 'moon'], '27'))[0]).toMatch(/no zone "moon"/);
    expect((await state()).sightings).toEqual([]);
  });
  test('a list is taken whole, or its bad line is named', async () => {
    const list = (text: string) => sayList({ act: stamp(), briefId, source: sheet, aspect: 'colour', text });
    expect(says(await list('fin: 27\nmoon: 12'))[0]).toMatch(/^Line 2: there is no zone "moon"/);
    expect((await state()).sightings).toEqual([]);
    expect(value(await list('fin: 27\nall lower: 12\nfin port: 12')).said).toBe(7);
    const { sightings, questions } = await state();
    const finPort = questions.find(({ zone, aspect }) => zone === 'fin-port' && aspect === 'colour')!;
    expect(sightings.find(({ questionId }) => questionId === finPort.id)!.value).toBe('TCS 12');
  });
  test('its word is taken where nothing contradicts it, marked so, in one act', async () => {
    const { sourceId } = value(await sayColour(['fin-port', 'spinner', 'cockpit'], '27'));
    value(await sayColour(['spinner'], '12', { kind: 'photograph', title: 'Apron' }));
    expect(value(await takeWord({ act: stamp(), briefId, sourceId }))).toEqual({ ruled: 2 });
    const { rulings } = await state();
    expect(rulings.map(({ reason }) => reason)).toEqual(Array(2).fill('as Kit sheet says; nothing contradicts it'));
    expect(says(await takeWord({ act: stamp(), briefId, sourceId }))[0]).toMatch(/only word on no open question/);
    await undo({ act: stamp(), briefId });
    expect((await state()).rulings).toEqual([]);
  });
  test('one side is copied to the other as inferred, only where nothing stands there', async () => {
    const { sourceId } = value(await sayColour(['fin-port', 'wing-lower-port'], '27'));
    value(await sayColour(['wing-lower-starboard'], '12', sourceId));
    expect(value(await copySide({ act: stamp(), briefId, sourceId, from: 'port' }))).toEqual({ said: 1 });
    const { sightings, questions } = await state();
    const copy = sightings.find(({ clarity }) => clarity === 'inferred')!;
    expect(questions.find(({ id }) => id === copy.questionId)!.zone).toBe('fin-starboard');
    expect(copy.note).toBe('copied from the port side');
    expect(says(await copySide({ act: stamp(), briefId, sourceId, from: 'port' }))[0]).toMatch(
      /says nothing of the port side/,
    );
  });
  test('a source that is not there says nothing', async () => {
    expect(says(await sayColour(['fin-port'], '27', '00000000-0000-4000-8000-000000000000'))[0]).toMatch(/gone/);
  });
});
