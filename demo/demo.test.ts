import { describe, expect, test } from '@jest/globals';
import { officialColours } from '@/core/codes/official';
import { briefFileSchema, stateOfFile, toBriefFile } from '@/core/interchange/brief-file';
import { outlineSpecOf } from '@/core/kept/state';
import { buildOutline } from '@/core/outline/outline';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { shelfOfDemo, viewOfDemo } from '../tests/support/demo-brief';
import { dunlin } from './dunlin';
import { drawShot, PLAIN } from './pictures';
import { bracken, turnstone } from './small-briefs';
import sharp from 'sharp';

const briefs = [dunlin('2026-11-10'), turnstone('2026-11-10'), bracken('2026-11-10')].map(({ file }) =>
  briefFileSchema.parse(file),
);

describe('the shelf of the demo', () => {
  const shelf = shelfOfDemo();
  test('three standards of different grammar, the main one of about 40 codes, each with a colour, an origin and an uncertainty', () => {
    expect(shelf.codes.length).toBeGreaterThanOrEqual(38);
    expect(new Set(shelf.codes.map((code) => code.system)).size).toBe(3);
    expect(new Set(shelf.systems.map(({ shape }) => shape)).size).toBe(3);
    for (const colour of officialColours(shelf.codes, shelf.chips).values()) {
      expect(colour.lab).not.toBeNull();
      expect(colour.sd).toBeGreaterThan(0);
    }
  });
  test('about 160 paints in four lines of different chemistry, about 45 bottles', () => {
    expect(shelf.paints.length).toBeGreaterThanOrEqual(150);
    const lines = new Map(shelf.paints.map((paint) => [paint.line, paint.chemistry]));
    expect(lines.size).toBe(4);
    expect(new Set(lines.values()).size).toBe(4);
    for (const chemistry of lines.values()) expect(CHEMISTRY_NAMES).toContain(chemistry);
    const owned = shelf.paints.filter((paint) => paint.ownedMl > 0);
    expect(owned.length).toBeGreaterThanOrEqual(40);
    for (const paint of owned) expect(paint.ownedMl).toBeLessThanOrEqual(paint.sizeMl);
  });
  test('every claim names a code that there is', () => {
    const codes = new Set(shelf.codes.map((code) => code.code));
    for (const paint of shelf.paints) for (const claim of paint.claims) expect(codes).toContain(claim);
  });
});

describe('the briefs of the demo', () => {
  test.each(briefs.map((file) => [`${file.airframe.type} ${file.airframe.variant}`, file] as const))(
    '%s: every zone is on its outline, every code on the shelf',
    (_, file) => {
      const codes = new Set(shelfOfDemo().codes.map((code) => code.code));
      const outline = buildOutline(outlineSpecOf(file.airframe, file.brief));
      const zones = outline.zones.map((zone) => zone.key);
      for (const { zone } of [...file.questions, ...file.events, ...file.markings]) expect(zones).toContain(zone);
      for (const marking of file.markings) for (const code of marking.codes) expect(codes).toContain(code);
      const colours = new Set(
        file.questions.filter((question) => question.aspect === 'colour').map((question) => question.ref),
      );
      for (const said of [...file.sightings, ...file.rulings])
        if (colours.has(said.question)) expect(codes).toContain(said.value);
    },
  );

  test('the main one: twelve sources or more of many kinds, two against the kit sheet, three questions open', () => {
    const [file] = briefs;
    expect(file!.sources.length).toBeGreaterThanOrEqual(12);
    expect(new Set(file!.sources.map((source) => source.kind)).size).toBeGreaterThanOrEqual(9);
    const { view } = viewOfDemo();
    expect(view.questions.filter((question) => question.open)).toHaveLength(3);
    const kit = file!.sources.find((source) => source.kind === 'kit-sheet')!.ref;
    const sheetSays = new Map(file!.sightings.filter((s) => s.source === kit).map((s) => [s.question, s.value]));
    const against = file!.sightings.filter((s) => sheetSays.has(s.question) && sheetSays.get(s.question) !== s.value);
    expect(new Set(against.map((s) => s.source)).size).toBeGreaterThanOrEqual(2);
  });

  test('the main one has at least 45 steps, each with a date', () => {
    const { view } = viewOfDemo();
    expect(view.plan.work.length).toBeGreaterThanOrEqual(45);
    for (const item of view.plan.work) expect(item.start).toMatch(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/);
  });

  test('the winter white lies over the summer colours: the summer picture no longer counts', () => {
    const shelf = shelfOfDemo();
    const state = stateOfFile(briefs[1]!, shelf);
    const { view } = viewOfDemo((demo) => Object.assign(demo, state));
    const cowling = view.questions.find((q) => q.record.zone === 'cowling-port' && q.record.aspect === 'colour')!;
    expect(cowling.best).toBe('TCS 01');
    const summer = state.sources.find((source) => source.title === 'Summer camp')!.id;
    expect(cowling.weighed.contributions.find((c) => c.source === summer)).toMatchObject({ weight: 0, counted: false });
  });
});

describe('a brief file', () => {
  test('made from the facts of a file is that file again', () => {
    for (const file of briefs) {
      const decalSheets = file.decalSheets.map((sheet) => ({ ...sheet, id: sheet.title, version: 1 }));
      const shelf = { ...shelfOfDemo(), decalSheets };
      const again = toBriefFile(stateOfFile(file, shelf), shelf, []);
      expect({ ...again, codes: [], lines: [], systems: [], relations: [] }).toEqual({
        ...file,
        codes: [],
        lines: [],
        choices: [],
        sources: again.sources.map((source, i) => ({
          ...file.sources[i],
          ref: source.ref,
          derivedFrom: file.sources[i]!.derivedFrom.map(
            (ref) => `s${file.sources.findIndex((other) => other.ref === ref) + 1}`,
          ),
        })),
        sightings: file.sightings.map((sighting) => ({
          ...sighting,
          source: `s${file.sources.findIndex((source) => source.ref === sighting.source) + 1}`,
        })),
        rulings: [...file.rulings].sort((a, b) => Number(a.question.slice(1)) - Number(b.question.slice(1))),
      });
      expect(briefFileSchema.safeParse(again).success).toBe(true);
    }
  });

  test('carries the codes that it names, with their chips', () => {
    const shelf = shelfOfDemo();
    const file = toBriefFile(stateOfFile(briefs[0]!, shelf), shelf, []);
    const fen = file.codes.find((code) => code.code === 'TCS 31')!;
    expect(fen.chips[0]!.lab).toEqual([36, -9, 13]);
    expect(file.codes.map((code) => code.code)).not.toContain('TCS 33');
  });
});

test('a drawn photograph is a picture of the size of one, and monochrome where it says so', async () => {
  const { view } = viewOfDemo();
  const shot = { view: 'port' as const, colourOf: () => PLAIN, codeColour: () => PLAIN, markings: [] };
  const mono = await sharp(await drawShot(view.outline, { ...shot, manner: 'monochrome photograph' })).stats();
  const colour = await sharp(await drawShot(view.outline, { ...shot, manner: 'colour photograph' })).metadata();
  expect([colour.width, colour.height]).toEqual([1200, 800]);
  const [r, , b] = mono.channels;
  // Toned print: warm, but one tone throughout.
  expect(Math.abs(r!.mean - b!.mean)).toBeLessThan(30);
});
