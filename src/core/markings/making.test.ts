import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { paintScheme } from '@/core/scheme/in-view';
import { cutLengths, decalPlan, lengthsOf, saidOfAll } from './decal-plan';
import { printedAgainst, replacements, type OwnedSheet } from './decal-spares';
import { PLAIN } from './design';
import { figureFields } from './design-fields';
import { PLAIN_PRINTING } from './printing';
import { fitsOf, neighboursOf } from './fit-on';
import { compareMethods, makeable, testPiece, type MethodFacts } from './methods';
import { placesOf, type PlaceableMarking } from './placing';
import { troublesOf } from './troubles';

const outline = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const square = { ...PLAIN, figures: [figureFields.parse({ figure: 'square', size: 1, colour: 0 })] };
const marking = (over: Partial<PlaceableMarking> & { printedMm?: number | null } = {}) => ({
  id: 'm',
  title: 'Square',
  kind: 'insignia' as const,
  text: '',
  zone: 'wing-upper-outer-port',
  heightMm: 960,
  printedMm: null,
  method: 'decal',
  sheetId: null,
  piecesEach: 1,
  codes: ['black'],
  places: [{ view: 'upper' as const, station: 3.6, offset: -4, turn: 0, mirrored: false }],
  design: square,
  ...over,
});

describe('what a table says of where markings lie', () => {
  const at = (offset: number) => [{ view: 'upper' as const, station: 3.6, offset, turn: 0, mirrored: false }];
  const small = (id: string, offset: number) => marking({ id, title: id, heightMm: 480, places: at(offset) } as never);

  test('nothing of what lies well', () => {
    expect(troublesOf(outline, 48, [small('A', -4), small('B', -5)], [])).toEqual({});
  });

  test('of two that lie over each other both say so, the later that it is above', () => {
    const found = troublesOf(outline, 48, [small('A', -4), small('B', -4.2)], []);
    expect(found).toEqual({ A: ['lies under B'], B: ['lies over A'] });
  });

  test('a corner that touches another by less than a square millimetre of the model is not worth a word', () => {
    // 480 mm squares, 478 mm apart: 2 by 480 mm, 0.4 mm2 at 1/48.
    expect(troublesOf(outline, 48, [small('A', -4), small('B', -4.478)], [])).toEqual({});
  });

  test('what lies nowhere on its own zone is told, and where it lies', () => {
    const astray = { ...small('A', -2), zone: 'wing-upper-outer-port' };
    expect(troublesOf(outline, 48, [astray], [])).toEqual({ A: ['lies on inner wing upper, port instead'] });
    // One of two places is enough.
    const both = { ...astray, places: [...at(-2), ...at(-4)] };
    expect(troublesOf(outline, 48, [both], [])).toEqual({});
  });
});

describe('how a marking fits where it lies', () => {
  test('well inside its zone, with its room at scale', () => {
    const [fitted] = fitsOf(outline, 48, marking({ heightMm: 480 }), [], []);
    expect(fitted!.zone).toBe('wing-upper-outer-port');
    expect(fitted!.fit.inside).toBe(true);
    expect(fitted!.fit.clearanceMm).toBeGreaterThan(0);
    expect(fitted!.stretchPercent).toBe(0);
  });
  test('too large for the chord it stands over, and wraps round the edges that it reaches', () => {
    const [fitted] = fitsOf(outline, 48, marking({ heightMm: 2600 }), [], []);
    expect(fitted!.fit.inside).toBe(false);
    expect(fitted!.wraps.join()).toMatch(/leading edge/);
    expect(fitted!.says.join('; ')).toMatch(/beyond the outer wing upper/);
  });
  test('across a hinge it is to be cut there', () => {
    const [fitted] = fitsOf(
      outline,
      48,
      marking({ heightMm: 400, places: [{ view: 'upper', station: 4.05, offset: -4, turn: 0, mirrored: false }] }),
      [],
      [],
    );
    expect(fitted!.fit.crosses.join()).toMatch(/aileron/);
  });
  test('a painted field that is too small is named, with how far the marking stands over', () => {
    const corners = [
      [-0.4, -0.4],
      [0.4, -0.4],
      [0.4, 0.4],
      [-0.4, 0.4],
    ].map(([x, y]) => ({ x: x!, y: y!, on: { marking: 'm', place: 0 } }));
    const own = marking();
    const painted = paintScheme(
      outline,
      [
        {
          id: 'f',
          title: 'Red ground',
          code: 'red',
          shape: { kind: 'area', view: 'upper', smooth: false, corners },
          mirrored: false,
          keptTo: [],
          edge: 'hard',
          softMm: 0,
          rank: 0,
        },
      ],
      placesOf([own]),
    );
    const [fitted] = fitsOf(outline, 48, own, [], painted);
    expect(fitted!.field!.title).toBe('Red ground');
    expect(fitted!.field!.fit.inside).toBe(false);
    // A corner of 0.48 stands 0.08 times root 2 beyond one of 0.4, less what the dihedral adds to the field.
    expect(Math.abs(fitted!.field!.fit.overhangMm / (80 * Math.SQRT2) - 1)).toBeLessThan(0.02);
    expect(fitted!.says[0]).toMatch(/larger than its painted field “Red ground”: it stands 2.3 mm over/);
  });
  test.each([
    ['on the flank', 1],
    ['up to the spine', 1.35],
    ['over the spine', 1.5],
  ])('mirrored places have mirrored figures, %s', (_, offset) => {
    const places = (['port', 'starboard'] as const).map((view) => ({
      view,
      station: 5.2,
      offset,
      turn: 0,
      mirrored: false,
    }));
    const own = marking({ zone: 'fuselage-mid-port', heightMm: 620, places });
    const ground = (view: 'port' | 'starboard', place: number) => ({
      id: view,
      title: `Ground ${view}`,
      code: 'red',
      shape: {
        kind: 'area' as const,
        view,
        smooth: false,
        corners: [
          [-0.25, -0.25],
          [0.25, -0.25],
          [0.25, 0.25],
          [-0.25, 0.25],
        ].map(([x, y]) => ({ x: x!, y: y!, on: { marking: 'm', place } })),
      },
      mirrored: false,
      keptTo: [],
      edge: 'hard' as const,
      softMm: 0,
      rank: place,
    });
    const painted = paintScheme(outline, [ground('port', 0), ground('starboard', 1)], placesOf([own]));
    const [port, starboard] = fitsOf(outline, 48, own, [], painted);
    const figures = ({ fit, field }: NonNullable<typeof port>) => [
      fit.inside,
      fit.overhangMm,
      fit.clearanceMm,
      field?.fit.overhangMm ?? null,
    ];
    const [one, other] = [figures(port!), figures(starboard!)];
    one.forEach((figure, i) => {
      if (typeof figure === 'number') expect(Math.abs((other[i] as number) - figure)).toBeLessThan(2);
      else expect(other[i]).toBe(figure);
    });
  });
  test('what it lies over is named', () => {
    const other = marking({ id: 'n', title: 'Letter', heightMm: 480 } as never);
    const [fitted] = fitsOf(outline, 48, marking(), neighboursOf(outline, [other]), []);
    expect(fitted!.fit.overlaps.map(({ id }) => id)).toEqual(['Letter']);
  });
  test('a band has no fit: it goes right round', () => {
    expect(fitsOf(outline, 48, { ...marking(), kind: 'band' }, [], [])).toEqual([]);
  });
});

const facts = (over: Partial<MethodFacts> = {}): MethodFacts => ({
  printing: PLAIN_PRINTING,
  heightMm: 12,
  widthMm: 12,
  leastDetailMm: 1.5,
  areaCm2: 1,
  colours: 2,
  coats: 4,
  minutes: { decal: 21, mask: 40, brush: 30, pen: 25, 'own decal': 21, 'dry transfer': 21 },
  stretchPercent: 0,
  crosses: 0,
  sheet: { age: 2, filmUm: 8, condition: 'good', errorPercent: 0 },
  isMatt: false,
  lines: { airbrush: 1.5, brush: 0.2, pen: 0.3, cutter: 0.5, printer: 0.1 },
  ...over,
});
const cannotOf = (given: MethodFacts) => new Map(compareMethods(given).map(({ method, cannot }) => [method, cannot]));

describe('ways to make it', () => {
  test('a thin, fresh decal of the right size is the lightest', () => {
    expect(compareMethods(facts())[0]!.method).toBe('decal');
  });
  test('of the wrong size, thick, yellowed and shattering it is not', () => {
    const bad = facts({ sheet: { age: 40, filmUm: 40, condition: 'brittle', errorPercent: 12 } });
    const [best] = compareMethods(bad);
    expect(best!.method).not.toBe('decal');
    const decal = compareMethods(bad).find(({ method }) => method === 'decal')!;
    expect(decal.risks.join('; ')).toMatch(/film of 40 µm.*12 % too big.*shatter/);
  });
  test('a pen draws strokes that are a few of its lines broad, and fills nothing broader', () => {
    const pen = (leastDetailMm: number) => cannotOf(facts({ colours: 1, leastDetailMm })).get('pen');
    expect(pen(0.2)).toMatch(/finer than the pen/);
    expect(pen(0.8)).toBeNull();
    expect(pen(1.7)).toMatch(/streaky/);
  });
  test('what cannot be is said, and comes last', () => {
    const given = facts({
      sheet: null,
      leastDetailMm: 0.15,
      lines: { airbrush: null, brush: 0.2, pen: null, cutter: null, printer: 0.1 },
    });
    const cannot = cannotOf(given);
    expect(cannot.get('decal')).toMatch(/no sheet/);
    expect(cannot.get('mask')).toMatch(/no airbrush/);
    expect(cannot.get('brush')).toMatch(/finer than a brush/);
    expect(cannot.get('own decal')).toBeNull();
    expect(compareMethods(given)[0]!.method).toBe('own decal');
  });
  test('too fine to see: the size that would be, and how far over scale', () => {
    const { visible, wouldBeMm, overPercent, says } = makeable({ heightMm: 1, leastDetailMm: 0.05 }, 0.1);
    expect([visible, wouldBeMm, overPercent]).toEqual([false, expect.closeTo(2, 6), expect.closeTo(100, 6)]);
    expect(says).toMatch(/2.0 mm high, 100 % over scale/);
    expect(makeable({ heightMm: 10, leastDetailMm: 1 }, 0.2).wouldBeMm).toBeNull();
  });
  test('a test piece where builders regret not having made one', () => {
    expect(
      testPiece(facts({ sheet: { age: 30, filmUm: 8, condition: 'good', errorPercent: 0 } }), 'decal', 'insignia'),
    ).toMatch(/spare of this sheet/);
    expect(testPiece(facts(), 'pen', 'lettering')).toMatch(/ink/);
    expect(testPiece(facts(), 'decal', 'insignia')).toBeNull();
  });
});

describe('what stands in for a decal', () => {
  const item = (over: object) => ({
    key: JSON.stringify(over),
    kind: 'lettering' as const,
    title: 'Codes',
    letters: 'TKG',
    heightMm: 12,
    count: 2,
    spoiled: 0,
    lab: null,
    ...over,
  });
  const sheet = (id: string, ...items: object[]): OwnedSheet => ({
    id,
    title: `Sheet ${id}`,
    denominator: 48,
    items: items.map(item),
  });
  const wanted = { title: 'Code', kind: 'lettering' as const, letters: 'TK', heightMm: 12, count: 1 };
  test('spares of its own sheet come first, then those of others, of the same height', () => {
    const ways = replacements(
      { ...wanted, letters: 'TKG' },
      [sheet('b', { heightMm: 12.2 }), sheet('a', {}), sheet('c', { heightMm: 9 })],
      'a',
    );
    expect(ways.map(({ how }) => how)).toEqual([
      'spares of the same sheet',
      'spares of another sheet',
      'letters rearranged',
      'mask',
      'own decal',
    ]);
    expect(ways[1]!.offPercent).toBeCloseTo(1.67, 1);
  });
  test('letters are put together one by one, from where they are left', () => {
    const ways = replacements(
      wanted,
      [sheet('a', { letters: 'T', spoiled: 1 }), sheet('b', { letters: 'KO', heightMm: 12.3, count: 1 })],
      'a',
    );
    expect(ways[0]!.how).toBe('letters rearranged');
    expect(ways[0]!.from).toEqual(['T of “Sheet a”, 12.00 mm high', 'K of “Sheet b”, 12.30 mm high']);
    expect(ways[0]!.says).toMatch(/differ by 0.30 mm in height/);
  });
  test('letters of one height are not told apart', () => {
    const ways = replacements(
      wanted,
      [sheet('a', { letters: 'T' }), sheet('b', { letters: 'K', heightMm: 12.05 })],
      'a',
    );
    expect(ways[0]!.says).not.toMatch(/differ/);
  });
  test('a letter that is nowhere leaves a mask or printing it', () => {
    expect(replacements({ ...wanted, letters: 'QX' }, [sheet('a', {})], 'a').map(({ how }) => how)).toEqual([
      'mask',
      'own decal',
    ]);
  });
  test('no piece is used twice, whatever is on the sheets', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('A', 'B', 'AB'), fc.nat(3), fc.nat(3)), { maxLength: 4 }),
        fc.integer({ min: 1, max: 4 }),
        (rows, count) => {
          const sheets = rows.map(([letters, pieces, spoiled], i) =>
            sheet(`${i}`, { letters, count: pieces, spoiled }),
          );
          const found = replacements({ ...wanted, letters: 'AB', count }, sheets, null).find(
            ({ how }) => how === 'letters rearranged',
          );
          const stock = (sign: string) =>
            rows.reduce(
              (sum, [letters, pieces, spoiled]) => sum + (letters.includes(sign) ? Math.max(0, pieces - spoiled) : 0),
              0,
            );
          expect(found !== undefined).toBe(stock('A') >= count && stock('B') >= count);
        },
      ),
    );
  });
  test('the colour it was printed in', () => {
    expect(printedAgainst([50, 0, 0], [50.5, 0, 0]).says).toMatch(/in the colour that is called/);
    expect(printedAgainst([50, 0, 0], [70, 20, 0]).says).toMatch(/another colour/);
  });
});

describe('the order in which decals go on', () => {
  const sheets = [{ id: 's', title: 'Old', filmUm: 30, condition: 'brittle' as const }];
  test('side by side of the model, large before small, each with its pieces', () => {
    const on = (view: 'upper' | 'port') => ({
      view,
      station: 4,
      offset: view === 'upper' ? -3 : 1,
      turn: 0,
      mirrored: false,
    });
    const plan = decalPlan(
      [
        marking({
          id: 'small',
          heightMm: 60,
          kind: 'stencil',
          text: 'NO STEP',
          places: [on('upper'), on('upper'), on('upper')],
        } as never),
        marking({ id: 'large', places: [on('upper'), on('port')], sheetId: 's' } as never),
        marking({ id: 'sprayed', method: 'mask' } as never),
      ],
      sheets,
      48,
      (id) => (id === 'large' ? 1 : 0),
    );
    expect(plan.map(({ side }) => side)).toEqual(['port', 'upper']);
    expect(plan[1]!.items.map(({ marking: id, pieces }) => [id, pieces])).toEqual([
      ['large', 1],
      ['small', 3],
    ]);
    expect(plan[1]!.says.join(' ')).toMatch(
      /never left overnight in a puddle.*Cut along hinges.*spare into the water first.*thick film/,
    );
  });
  test('what holds for every batch is said once', () => {
    const batch = (says: string[]) => ({ side: 'port' as const, title: '', items: [], pieces: 0, minutes: 0, says });
    expect(saidOfAll([batch(['gloss', 'cut', 'night']), batch(['gloss', 'night'])])).toEqual(['gloss', 'night']);
    expect(saidOfAll([])).toEqual([]);
  });
  test('a strip of windows is cut where the builder wants it, and nowhere else', () => {
    const strip = (cuts: number[]) => ({
      ...marking(),
      kind: 'window strip' as const,
      heightMm: 480,
      design: { ...PLAIN, count: 10, aspect: 0.5, gap: 1, cuts },
    });
    // Windows of 5 mm with 10 mm between them.
    expect(lengthsOf(strip([8, 3]), 48).map((mm) => Math.round(mm))).toEqual([35, 65, 20]);
    expect(lengthsOf(strip([10, 40]), 48)).toEqual(cutLengths(140));
  });
  test('a marking whose centre is a piece of its own goes on in two', () => {
    const [batch] = decalPlan([{ ...marking(), piecesEach: 2 }], [], 48, () => 0);
    expect(batch!.pieces).toBe(2);
  });
  test('a strip is cut into equal lengths that can be handled', () => {
    expect(cutLengths(40)).toEqual([]);
    expect(cutLengths(100)).toEqual([100 / 3, 100 / 3, 100 / 3]);
  });
});
