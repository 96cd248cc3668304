import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { BLANK_RECIPE } from '@/core/kept/blank';
import { briefFileSchema } from '@/core/interchange/brief-file';
import { exportBrief, importBrief } from '@/data/brief-files';
import { createBrief } from '@/data/briefs';
import { loadBrief } from '@/data/read-brief';
import { loadShelf } from '@/data/shelf';
import { closePool, pool, rows } from '@/data/database';
import { undoLast } from '@/data/undo';
import { newBrief } from '@/core/kept/new-brief';
import '@tests/support/next-request';
import { tellAll } from '@tests/support/house';
import { stamp } from '@tests/support/stamp';
import { ownDatabase } from '@tests/support/own-database';

/** What reaches the server from a form or from anybody else: taken whole, or refused with the field and nothing changed. */

const { save } = await import('./records');
const modules = [await import('./codes'), await import('./paints'), await import('./choices')] as const;
type Actions = (typeof modules)[0] & (typeof modules)[1] & (typeof modules)[2];
/** Every action under an act of its own. */
const actions = Object.fromEntries(
  modules.flatMap((module) =>
    Object.entries(module).map(([name, action]) => [
      name,
      (input: unknown) =>
        (action as (given: unknown) => Promise<unknown>)(
          typeof input === 'object' && input && !Array.isArray(input) ? { act: stamp(), ...input } : input,
        ),
    ]),
  ),
) as unknown as Actions;

const NOBODY = '00000000-0000-4000-8000-000000000009';
let briefId = '';

beforeAll(async () => {
  await ownDatabase('colour_actions_test');
});
beforeEach(async () => {
  await pool().query('truncate brief, colour_system, colour_code, paint_line, picture, change, act cascade');
  await tellAll();
  const setup = newBrief('2026-11-23');
  briefId = (
    await createBrief({
      brief: { ...setup.brief, timeZone: 'Europe/Berlin' },
      airframe: { ...setup.airframe, type: 'Testbird' },
      sessions: setup.sessions,
    })
  ).value;
});
afterAll(closePool);

const grey = {
  line: 'Hask',
  chemistry: 'WA',
  number: '1',
  name: 'Grey',
  kind: 'solid',
  finish: 'matt',
  opacity: 'opaque',
  sizeMl: 17,
  priceCents: 310,
  currency: 'EUR',
  thinner: '',
  thinRatio: null,
  ground: '',
  flop: '',
  contrastRatio: null,
  L: 50,
  a: 0,
  b: 1,
};
const addPaint = (given: object = {}) => actions.addPaint({ ...grey, briefId, ...given });
const chip = { code: 'TCS 31', name: 'Fen green', finish: 'matt', kind: 'solid', instrument: '', batch: '' };
const addChip = (given: object = {}) => actions.addChip({ ...chip, briefId, L: 36, a: -9, b: 13, ...given });
const fieldsOf = (result: object) =>
  'faults' in result ? (result.faults as { field: string }[]).map(({ field }) => field) : [];
const saysOf = (result: object) =>
  'faults' in result ? (result.faults as { says: string }[]).map(({ says }) => says).join('; ') : '';
const changes = async () => (await rows(pool(), 'select 1 from change')).length;

describe('primer and clears', () => {
  const primerOn = async (zones: string[], number: string, known: { id: string; version: number } | null = null) => {
    const { id: paintId } = (await loadShelf()).paints.find((paint) => paint.number === number)!;
    return save({
      act: stamp(),
      briefId,
      station: 'colours',
      entity: 'general_coat',
      id: known?.id ?? null,
      version: known?.version ?? null,
      fields: { role: 'primer', paintId, way: '', zones },
    });
  };
  const coats = async () => (await loadBrief(briefId))!.coats;
  beforeEach(async () => {
    for (const number of ['1', '2', '3']) await addPaint({ number, kind: 'primer' });
  });

  test('are of one product in each place: everywhere, and others on zones of their own', async () => {
    expect(await primerOn([], '1')).toMatchObject({ ok: true });
    expect(await primerOn(['spinner', 'cockpit'], '2')).toMatchObject({ ok: true });
    expect(saysOf(await primerOn([], '3'))).toMatch(/chosen there already/);
    expect(fieldsOf(await primerOn(['cockpit', 'fin-port'], '3'))).toEqual(['zones']);
    expect(await primerOn(['fin-port'], '3')).toMatchObject({ ok: true });
    expect((await coats()).map(({ zones }) => zones.join())).toEqual(
      expect.arrayContaining(['', 'spinner,cockpit', 'fin-port']),
    );
    await undoLast(briefId);
    expect(await coats()).toHaveLength(2);
  });

  test('are refused on a zone that there is not, and stay on one that went with an option', async () => {
    expect(saysOf(await primerOn(['rotor-mast-9'], '1'))).toMatch(/has none of that name/);
    expect(await coats()).toEqual([]);
    await primerOn(['gear-main'], '1');
    await pool().query(`update general_coat set zones = '{gear-main,store-centre}' where brief_id = $1`, [briefId]);
    await tellAll();
    const [kept] = await coats();
    expect(await primerOn(kept!.zones, '2', kept!)).toMatchObject({ ok: true });
    expect((await coats())[0]!.zones).toEqual(['gear-main', 'store-centre']);
  });
});

describe('a paint by hand', () => {
  test('comes with its line and the bottle in the drawer, as one act that one undo takes back', async () => {
    expect(await addPaint({ mlLeft: 9 })).toMatchObject({ ok: true, value: null });
    const [paint] = (await loadShelf()).paints;
    expect(paint).toMatchObject({ line: 'Hask', chemistry: 'WA', number: '1', lab: [50, 0, 1], ownedMl: 9 });
    await undoLast(briefId);
    expect((await loadShelf()).paints).toEqual([]);
    expect(await rows(pool(), 'select 1 from paint_line')).toEqual([]);
  });
  test('a second paint of the line joins it; another chemistry of the same line is refused', async () => {
    await addPaint();
    expect((await addPaint({ number: '2' })).ok).toBe(true);
    const result = await addPaint({ number: '3', chemistry: 'EN' });
    expect(fieldsOf(result)).toEqual(['chemistry']);
    expect((await loadShelf()).paints).toHaveLength(2);
  });
  test('the same number twice is said to be there already', async () => {
    await addPaint();
    expect(saysOf(await addPaint())).toBe('This is there already.');
  });
  test.each<[string, object, string, RegExp]>([
    ['an impossible L*', { L: 130 }, 'L', /impossible/],
    [
      'a Munsell notation outside the solid',
      { L: undefined, a: undefined, b: undefined, munsell: '5GY 5\/60' },
      'munsell',
      /solid/,
    ],
    [
      '30 reflectances',
      { reflectance: Array.from({ length: 30 }, () => '0.2').join(' ') },
      'reflectance',
      /^30 values/,
    ],
    ['a tint of two numbers', { tint: '50 1' }, 'tint', /three numbers/],
    ['a price below nothing', { priceCents: -1 }, 'priceCents', /./],
    ['a bottle of no size', { sizeMl: 0 }, 'sizeMl', /./],
    ['a currency that is none', { currency: 'eurodollar' }, 'currency', /./],
    ['a chemistry that nobody knows', { chemistry: 'XX' }, 'chemistry', /./],
    ['no number', { number: '' }, 'number', /./],
  ])('%s is refused at its field, and nothing is kept', async (_, given, field, says) => {
    const before = await changes();
    const result = await addPaint(given);
    expect(fieldsOf(result)).toContain(field);
    expect(saysOf(result)).toMatch(says);
    expect(await changes()).toBe(before);
  });
  test('without a colour and without a price is kept as what it is', async () => {
    expect((await addPaint({ L: undefined, a: undefined, b: undefined, priceCents: null })).ok).toBe(true);
    expect((await loadShelf()).paints[0]).toMatchObject({ lab: null, priceCents: null });
  });
  test.each([null, 'x', {}, { briefId: 'no-id' }, []])('%j is no paint', async (nonsense) => {
    expect((await actions.addPaint(nonsense)).ok).toBe(false);
  });
  test('one that was changed meanwhile is not overwritten: what stands there comes back', async () => {
    await addPaint();
    const [paint] = (await loadShelf()).paints;
    const change = (name: string) =>
      actions.changePaint({ ...grey, briefId, id: paint!.id, version: paint!.version, name });
    expect((await change('Sea grey')).ok).toBe(true);
    const late = await change('Mud');
    expect(late).toMatchObject({ ok: false, conflict: { entity: 'paint', theirs: { name: 'Sea grey' } } });
  });
});

describe('a chip by hand', () => {
  test('makes its code when that is new, and joins it when it is not', async () => {
    await addChip();
    await addChip({ L: 37, batch: 'B2' });
    const { codes, chips } = await loadShelf();
    expect(codes.map(({ code, system }) => [code, system])).toEqual([['TCS 31', 'TCS']]);
    expect(chips.map(({ batch }) => batch).sort()).toEqual(['', 'B2']);
  });
  test('a screen colour was judged by eye, whatever is said of it', async () => {
    await addChip({ L: undefined, a: undefined, b: undefined, hex: '#445544', origin: 'measured' });
    expect((await loadShelf()).chips[0]!.origin).toBe('eyeballed');
  });
  test('a number that two standards have is asked about', async () => {
    const standard = (name: string) =>
      actions.takeStandard({
        briefId,
        text: `code,name,l,a,b\n31,One,50,0,0\n`,
        system: { name, title: '', prefix: name, shape: 'digits' },
      });
    expect((await standard('AAA')).ok).toBe(true);
    expect((await standard('BBB')).ok).toBe(true);
    const result = await addChip({ code: '31' });
    expect(fieldsOf(result)).toEqual(['code']);
    expect(saysOf(result)).toMatch(/AAA 31.*BBB 31/);
    expect((await addChip({ code: 'BBB 31' })).ok).toBe(true);
  });
});

describe('a table', () => {
  test('of a standard whose letters are those of another is refused', async () => {
    const take = (name: string) =>
      actions.takeStandard({
        briefId,
        text: 'code,name,l,a,b\nQQ 1,One,50,0,0\n',
        system: { name, title: '', prefix: 'QQ' },
      });
    expect((await take('First')).ok).toBe(true);
    expect(saysOf(await take('Second'))).toBe('The letters QQ stand before the numbers of First already.');
  });
  test.each([
    ['empty', ''],
    ['without a row that can be read', 'line,number,L\nHask,1,500\n'],
    ['without the columns it needs', 'price\n3\n'],
  ])('%s is refused', async (_, text) => {
    expect((await actions.takeCatalogue({ briefId, text })).ok).toBe(false);
    expect((await loadShelf()).paints).toEqual([]);
  });
  test('is looked at without keeping anything; of very many faults the first are told', async () => {
    const text = ['line,number,L,a,b', ...Array.from({ length: 500 }, (_, i) => `Hask,${i},500,0,0`)].join('\n');
    const result = await actions.lookAtCatalogue({ text });
    if (!result.ok) throw new Error('it could not be looked at');
    expect(result.value.rows).toBe(0);
    expect(result.value.faults.at(-1)!.says).toBe('and 400 more');
    expect((await loadShelf()).paints).toEqual([]);
  });
});

describe('what makes a colour', () => {
  const ready = async () => {
    await addChip();
    await addChip({ code: 'TCS 14', name: 'Sleet', L: 69, a: -5, b: -5.5 });
    await addPaint({ mlLeft: 10 });
    const { codes, paints } = await loadShelf();
    const idOf = (code: string) => codes.find((record) => record.code === code)!.id;
    return { green: idOf('TCS 31'), sleet: idOf('TCS 14'), paint: paints[0]! };
  };
  const choices = async () => (await loadBrief(briefId))!.choices;
  const recipe = (paintId: string) => ({
    ...BLANK_RECIPE,
    parts: [{ paintId, drops: 3 }],
    predicted: [50, 0, 1],
    sd: 1,
  });

  test('is a paint, then a recipe that is kept with it, then nothing: one choice for a code', async () => {
    const { green, paint } = await ready();
    await actions.chooseColour({ briefId, codeId: green, by: { paintId: paint.id } });
    expect(await choices()).toMatchObject([{ codeId: green, paintId: paint.id, recipeId: null }]);
    const kept = await actions.chooseColour({ briefId, codeId: green, by: { recipe: recipe(paint.id) } });
    if (!kept.ok) throw new Error('it was not kept');
    expect(await choices()).toMatchObject([{ codeId: green, paintId: null, recipeId: kept.value }]);
    await actions.chooseColour({ briefId, codeId: green, by: null });
    expect(await choices()).toEqual([]);
  });
  test('a paint that is gone is said, and no choice is made', async () => {
    const { green } = await ready();
    expect(saysOf(await actions.chooseColour({ briefId, codeId: green, by: { paintId: NOBODY } }))).toBe(
      'What it refers to is gone.',
    );
    expect(await choices()).toEqual([]);
  });
  test('by name: a colour that no standard knows is written down as it is called, and undo lets go of both', async () => {
    await addPaint({ L: undefined, a: undefined, b: undefined, number: 'Trainer yellow', name: '', finish: 'gloss' });
    const [tin] = (await loadShelf()).paints;
    const bottles = [{ code: 'trainer yellow', paintId: tin!.id }];
    expect((await actions.thisIsIt({ briefId, bottles })).ok).toBe(true);
    const [code] = (await loadShelf()).codes;
    expect(code).toMatchObject({ code: 'trainer yellow', finish: 'gloss', kind: 'solid' });
    expect(await choices()).toMatchObject([{ codeId: code!.id, paintId: tin!.id }]);
    // Again it makes no second code.
    expect((await actions.thisIsIt({ briefId, bottles })).ok).toBe(true);
    expect((await loadShelf()).codes).toHaveLength(1);
    expect((await actions.thisIsIt({ briefId, bottles: [{ code: 'sky', paintId: NOBODY }] })).ok).toBe(false);
    expect((await loadShelf()).codes).toHaveLength(1);
    await undoLast(briefId);
    await undoLast(briefId);
    expect([(await loadShelf()).codes, await choices()]).toEqual([[], []]);
  });
  test('for a whole scheme it is all or nothing', async () => {
    const { green, sleet, paint } = await ready();
    const all = (last: string) =>
      actions.chooseColours({
        briefId,
        choices: [
          { codeId: green, by: { paintId: paint.id } },
          { codeId: sleet, by: { paintId: last } },
        ],
      });
    expect((await all(NOBODY)).ok).toBe(false);
    expect(await choices()).toEqual([]);
    expect((await all(paint.id)).ok).toBe(true);
    expect(await choices()).toHaveLength(2);
    await undoLast(briefId);
    expect(await choices()).toEqual([]);
  });
  test('a test spray that comes too late changes neither the recipe nor the bottle', async () => {
    const { green, paint } = await ready();
    await actions.keepRecipes({ briefId, recipes: [{ ...recipe(paint.id), codeId: green }] });
    const [kept] = (await loadBrief(briefId))!.recipes;
    const [bottle] = paint.bottles;
    const spray = (version: number, strength: number) =>
      actions.keepTestSpray({
        briefId,
        recipe: {
          id: kept!.id,
          version: kept!.version,
          fields: {
            parts: kept!.parts,
            predicted: kept!.predicted,
            sd: 1,
            observed: [48, 0, 1],
            observedSd: 1,
            note: '',
          },
        },
        bottles: [{ id: bottle!.id, version, strength }],
      });
    expect(await spray(bottle!.version + 5, 1.4)).toMatchObject({ ok: false, conflict: { entity: 'bottle' } });
    expect((await loadBrief(briefId))!.recipes[0]!.observed).toBeNull();
    expect((await spray(bottle!.version, 1.4)).ok).toBe(true);
    expect((await loadBrief(briefId))!.recipes[0]!.observed).toEqual([48, 0, 1]);
    expect((await loadShelf()).paints[0]!.bottles[0]!.strength).toBeCloseTo(1.4, 6);
  });
  test('bottles that were bought stand full and unopened; one that is gone stops them all', async () => {
    const { paint } = await ready();
    const put = (second: string) =>
      actions.putInDrawer({
        briefId,
        bottles: [
          { paintId: paint.id, count: 2 },
          { paintId: second, count: 1 },
        ],
      });
    expect(saysOf(await put(NOBODY))).toMatch(/gone from the catalogue/);
    expect((await loadShelf()).paints[0]!.bottles).toHaveLength(1);
    expect((await put(paint.id)).ok).toBe(true);
    const { bottles, ownedMl } = (await loadShelf()).paints[0]!;
    expect(bottles).toHaveLength(4);
    expect(ownedMl).toBe(10 + 3 * 17);
  });
  test('a paint is not merged with itself', async () => {
    const { paint } = await ready();
    const same = { id: paint.id, version: paint.version };
    expect(fieldsOf(await actions.mergePaint({ briefId, from: same, into: same }))).toEqual(['into']);
  });
});

describe('how a colour is laid', () => {
  const chosen = async () => {
    await addChip();
    await addPaint();
    await addPaint({ number: '2', name: 'Dark grey' });
    const shelf = await loadShelf();
    const [codeId, [one, two]] = [shelf.codes[0]!.id, shelf.paints];
    await actions.chooseColour({ briefId, codeId, by: { paintId: one!.id } });
    return { codeId, one: one!.id, two: two!.id };
  };
  const choice = async () => (await loadBrief(briefId))!.choices[0]!;
  test('is kept with the call: ground, coats and filter, each by itself', async () => {
    const { codeId, two } = await chosen();
    await actions.layColour({ briefId, codeId, laying: { ground: 'pink' } });
    await actions.layColour({ briefId, codeId, laying: { coats: 3 } });
    await actions.layColour({ briefId, codeId, laying: { filter: { paintId: two, percent: 5, passes: 2 } } });
    expect(await choice()).toMatchObject({ ground: 'pink', coats: 3, filter: { paintId: two, percent: 5, passes: 2 } });
  });
  test('another paint keeps the ground, and its coats are reckoned anew', async () => {
    const { codeId, two } = await chosen();
    await actions.layColour({ briefId, codeId, laying: { ground: 'white', coats: 4 } });
    await actions.chooseColour({ briefId, codeId, by: { paintId: two } });
    expect(await choice()).toMatchObject({ paintId: two, ground: 'white', coats: null });
  });
  test('travels with the brief', async () => {
    const { codeId, two } = await chosen();
    const filter = { paintId: two, percent: 5, passes: 2 };
    await actions.layColour({ briefId, codeId, laying: { ground: 'pink', filter } });
    const { file } = (await exportBrief(briefId))!;
    expect(file.choices[0]).toMatchObject({
      ground: 'pink',
      filter: { line: 'Hask', number: '2', percent: 5, passes: 2 },
    });
    const copy = (await loadBrief((await importBrief(briefFileSchema.parse(file))).value))!;
    expect(copy.choices[0]).toMatchObject({ ground: 'pink', filter });
  });
  test('is refused where nothing is chosen, and where it is no ground', async () => {
    await addChip();
    const codeId = (await loadShelf()).codes[0]!.id;
    expect(saysOf(await actions.layColour({ briefId, codeId, laying: { ground: 'pink' } }))).toMatch(
      /Choose what makes/,
    );
    expect(fieldsOf(await actions.layColour({ briefId, codeId, laying: { ground: 'mud' } }))).toEqual([
      'laying.ground',
    ]);
  });
});
