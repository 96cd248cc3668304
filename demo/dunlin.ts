import { DEFAULT_OPTIONS } from '@/core/kit/options';
import { PRESETS } from '@/core/outline/presets';
import { AS_OUTLINED, NO_KIT_EXTRAS } from '@/core/kept/new-brief';
import { NO_CHANGES } from '@/core/evidence/weights';
import { PLAIN_LETTERS, type Signs } from '@/core/markings/design';
import { figureFields } from '@/core/markings/design-fields';
import { blockLetters } from '@/core/markings/lettering';
import { BriefBuilder } from './builder';

/** A hen in a ring, drawn for the demo. */
function hen() {
  const ring = (r: number) =>
    Array.from({ length: 40 }, (_, i): [number, number] => [
      r * Math.sin((i * Math.PI) / 20),
      r * Math.cos((i * Math.PI) / 20),
    ]);
  const bird: [number, number][] = [
    [-0.3, 0.12],
    [-0.2, 0.2],
    [-0.08, 0.1],
    [0.1, 0.08],
    [0.26, 0.22],
    [0.24, -0.02],
    [0.08, -0.18],
    [-0.1, -0.18],
    [-0.22, -0.02],
  ];
  const comb: [number, number][] = [
    [-0.26, 0.2],
    [-0.2, 0.3],
    [-0.14, 0.2],
  ];
  return [
    { rings: [ring(0.5)], colour: 0 },
    { rings: [bird], colour: 1 },
    { rings: [comb], colour: 2 },
  ];
}

/** Letters as the unit's sign painter drew them: the block alphabet, leaning, its strokes swelling to the foot. */
const signPainters = (letters: string): Signs =>
  Object.fromEntries(
    [...letters].map((letter) => {
      const { region, width } = blockLetters(letter, 0.15, 0);
      return [
        letter,
        {
          // A font's signs stand on the foot line, from their left edge on.
          rings: region.map((ring) =>
            ring.map(([x, y]): [number, number] => {
              const up = y + 0.5;
              return [(x + width / 2) * (1.08 - 0.12 * up) + 0.22 * up, up];
            }),
          ),
          advance: width + 0.16,
        },
      ];
    }),
  );

/** An egg. */
const egg = () => figureFields.parse({ figure: 'disc', size: 1, aspect: 0.74, colour: 0 });

const KIT_SHEET = 'Lathe & Loft 4803, kit sheet';
const ITEM = { letters: '', spoiled: 0, lab: null };

/**
 * The main demo: an invented single-engine coastal patrol aircraft of an invented service, three colours over a light
 * underside, half built. Two photographs contradict the kit sheet; three questions are open.
 */
export function dunlin(startOn: string) {
  const b = new BriefBuilder(
    {
      kitMaker: 'Lathe & Loft',
      kitNumber: '4803',
      denominator: 48,
      timeZone: 'Europe/Berlin',
      tempC: 19,
      humidity: 52,
      startOn,
      options: { ...DEFAULT_OPTIONS, canopy: 'open', flaps: 'down', stores: 'tanks' },
      weights: NO_CHANGES,
      ...NO_KIT_EXTRAS,
      storesAt: [
        { station: 'port inner', carries: 'drop tank' },
        { station: 'starboard inner', carries: 'drop tank' },
      ],
      notes: 'Etched cockpit set and turned nose leg. As she stood on the apron in the second week of May.',
    },
    {
      type: 'Halverd Dunlin',
      variant: 'P.2',
      serial: 'C 417',
      codeLetters: 'TK-G',
      name: 'Marsh Hen',
      unit: '6 Coast Flight',
      place: 'Skelder Sands, Tarravia',
      targetFrom: '1951-05-08',
      targetTo: '1951-05-14',
      lostOn: '1953-02-11',
      preset: 'single',
      dimensions: PRESETS.single.dimensions,
      ...AS_OUTLINED,
    },
  );
  b.week([
    [0, '19:30', 120, true],
    [2, '19:30', 120, false],
    [4, '10:00', 180, true],
  ]);

  b.event(
    'fin port',
    'fin-port',
    'repaint',
    '1950-11-20',
    'serial moved to the rear fuselage, fin repainted at the depot',
    {
      value: 'TCS 27',
    },
  );
  b.event('fin starboard', 'fin-starboard', 'repaint', '1950-11-20', 'repainted at the depot with the port side');
  b.event('old code', 'fuselage-rear-port', 'overpaint', '1951-02-10', 'former code letters painted out by hand', {
    value: 'TCS 31',
    showsUnder: true,
  });
  b.event('band', 'fuselage-rear-port', 'addition', '1951-04-28', 'for the spring exercise', {
    value: 'Fuselage band',
  });
  b.event('name', 'fuselage-forward-port', 'addition', '1951-03-15', 'by her crew', { value: 'Name under the sill' });
  b.event('winter', 'wing-lower-port', 'repaint', '1951-11-05', 'undersides repainted for the winter', {
    value: 'TCS 12',
  });

  b.source('works', 'photograph', 'Works apron', {
    place: 'Halverd works',
    sides: ['starboard'],
    film: 'panchromatic',
    beforeEventId: 'fin starboard',
    zones: ['fin-starboard', 'fuselage-rear-starboard'],
  });
  b.source('client', 'client-wish', 'Client, first letter', {
    citation: 'letter of 4 October, wishes in six points',
    page: '2',
  });
  b.source('kit', 'kit-sheet', 'Kit sheet 4803', {
    citation: 'Lathe & Loft 4803',
    page: '2',
    sides: ['port', 'upper'],
  });
  b.source('box', 'box-painting', 'Box painting', {
    citation: 'Lathe & Loft 4803, lid',
    sides: ['starboard'],
    derivedFrom: ['kit'],
  });
  b.source('order', 'official-drawing', 'Scheme drawing 31/7', {
    citation: 'Coast Service drawing 31/7, issue 2',
    from: '1949-11-01',
    to: '1950-02-01',
    sides: ['port', 'starboard', 'upper', 'lower'],
  });
  b.source('manual', 'manual', 'Manual, chapter 9', {
    citation: 'Dunlin P.2 handbook, chapter 9',
    page: '9-14 to 9-31',
    from: '1950-01-01',
    to: '1950-12-31',
  });
  b.source('delivery', 'photograph', 'Delivery flight', {
    from: '1950-03-10',
    to: '1950-03-10',
    place: 'over Skelder Sands',
    sides: ['starboard'],
    film: 'panchromatic',
  });
  b.source('engine', 'photograph', 'Engine change', {
    from: '1951-04-20',
    to: '1951-04-22',
    sides: ['port'],
    film: 'panchromatic',
    zones: ['cowling-port', 'fuselage-forward-port', 'fuselage-rear-port', 'cockpit'],
  });
  b.source('taxi', 'photograph', 'Taxiing, film still', {
    from: '1951-05-09',
    to: '1951-05-09',
    sides: ['starboard'],
    film: 'orthochromatic',
    grade: 0.8,
    gradeReason: 'soft and in shade',
  });
  b.source('apron', 'photograph', 'Apron, port side', {
    from: '1951-05-12',
    to: '1951-05-12',
    place: 'Skelder Sands',
    sides: ['port'],
    film: 'colour',
  });
  b.source('caption', 'caption', 'Caption of the apron picture', {
    citation: 'Coast Review, summer 1953',
    page: '41',
    derivedFrom: ['apron'],
  });
  b.source('hangar', 'photograph', 'Hangar row', {
    from: '1951-05-14',
    to: '1951-05-14',
    sides: ['starboard', 'upper'],
    film: 'colour',
  });
  b.source('pass', 'photograph', 'Low pass', {
    from: '1951-06-02',
    to: '1951-06-02',
    sides: ['lower'],
    film: 'faded colour',
  });
  b.source('letter', 'letter', 'Letter of a fitter', { citation: 'I. Marrak, letter of 3 March 1987' });
  b.source('profile', 'profile-drawing', 'Profile in a magazine', {
    citation: 'Model Quarter 7',
    page: '12',
    from: '1998-01-01',
    to: '1998-12-31',
    sides: ['port'],
    derivedFrom: ['caption'],
  });
  b.source('decals', 'decal-sheet', 'Decal sheet 48-12', {
    citation: 'Pell Harbour 48-12',
    sides: ['port', 'starboard'],
  });
  b.source('museum', 'museum-visit', 'Museum machine', {
    citation: 'own visit, C 402, restored',
    from: '2019-08-17',
    to: '2019-08-17',
    sides: ['starboard'],
    grade: 1,
    gradeReason: 'another machine: structure yes, colours no',
  });

  const uppers = {
    'cowling-port': 'TCS 31',
    'cowling-starboard': 'TCS 31',
    'fuselage-forward-port': 'TCS 27',
    'fuselage-forward-starboard': 'TCS 21',
    'fuselage-mid-port': 'TCS 31',
    'fuselage-mid-starboard': 'TCS 27',
    'fuselage-rear-port': 'TCS 21',
    'fuselage-rear-starboard': 'TCS 31',
    'wing-upper-inner-port': 'TCS 21',
    'wing-upper-outer-port': 'TCS 27',
    'wing-upper-inner-starboard': 'TCS 31',
    'wing-upper-outer-starboard': 'TCS 21',
    'tailplane-upper-port': 'TCS 31',
    'tailplane-upper-starboard': 'TCS 27',
  };
  const lowers = {
    'fuselage-lower': 'TCS 14',
    'wing-lower-port': 'TCS 14',
    'wing-lower-starboard': 'TCS 14',
    'tailplane-lower-port': 'TCS 14',
    'tailplane-lower-starboard': 'TCS 14',
  };
  b.saw('order', 'colour', { ...uppers, ...lowers, 'fin-port': 'TCS 31', 'fin-starboard': 'TCS 31' }, 'clear');
  b.saw(
    'kit',
    'colour',
    {
      ...uppers,
      'fin-port': 'TCS 31',
      'fuselage-lower': 'TCS 12',
      'wing-lower-port': 'TCS 12',
      'wing-lower-starboard': 'TCS 12',
      'well-nose': 'TCS 40',
      spinner: 'TCS 31',
    },
    'clear',
  );
  b.saw('box', 'colour', { 'fin-starboard': 'TCS 27', spinner: 'TCS 05' }, 'partial');
  b.saw(
    'apron',
    'colour',
    {
      'cowling-port': 'TCS 31',
      'fuselage-forward-port': 'TCS 27',
      'fuselage-mid-port': 'TCS 31',
      'fuselage-rear-port': 'TCS 21',
      'fin-port': 'TCS 27',
      'wing-upper-outer-port': 'TCS 27',
      spinner: 'TCS 05',
      'fuselage-lower': 'TCS 14',
      'gear-main': 'TCS 60',
      propeller: 'TCS 44',
    },
    'clear',
  );
  b.saw('caption', 'colour', { 'fin-port': 'TCS 31' }, 'clear');
  b.saw('profile', 'colour', { 'fin-port': 'TCS 31', 'fuselage-rear-port': 'TCS 21' }, 'clear');
  b.saw(
    'hangar',
    'colour',
    {
      'cowling-starboard': 'TCS 31',
      'fuselage-forward-starboard': 'TCS 21',
      'fuselage-mid-starboard': 'TCS 27',
      'fuselage-rear-starboard': 'TCS 31',
      'wing-upper-inner-starboard': 'TCS 31',
      'wing-upper-outer-starboard': 'TCS 21',
      spinner: 'TCS 05',
      'tailplane-upper-starboard': 'TCS 27',
    },
    'clear',
  );
  b.saw('hangar', 'colour', { 'fin-starboard': 'TCS 31' }, 'inferred');
  b.saw('taxi', 'colour', { 'fin-starboard': 'TCS 27' }, 'inferred');
  b.saw('taxi', 'colour', { 'fuselage-rear-starboard': 'TCS 31', 'fuselage-mid-starboard': 'TCS 27' }, 'partial');
  b.saw(
    'pass',
    'colour',
    {
      'fuselage-lower': 'TCS 14',
      'wing-lower-port': 'TCS 14',
      'wing-lower-starboard': 'TCS 14',
      'store-inner-port': 'TCS 14',
      'store-inner-starboard': 'TCS 14',
      'gear-main': 'TCS 60',
      'gear-nose': 'TCS 60',
    },
    'clear',
  );
  b.saw('delivery', 'colour', { 'fin-starboard': 'TCS 31', 'fuselage-rear-starboard': 'TCS 31' }, 'inferred');
  b.saw('works', 'colour', { 'fin-starboard': 'TCS 31' }, 'inferred');
  b.saw(
    'engine',
    'colour',
    { 'cowling-port': 'TCS 31', 'fuselage-forward-port': 'TCS 27', cockpit: 'TCS 40' },
    'inferred',
  );
  b.saw(
    'manual',
    'colour',
    {
      cockpit: 'TCS 40',
      seat: 'TCS 45',
      'instrument-panel': 'TCS 44',
      'well-main-port': 'TCS 42',
      'well-main-starboard': 'TCS 42',
      'gear-main': 'TCS 61',
      'gear-nose': 'TCS 61',
      propeller: 'TCS 44',
    },
    'clear',
  );
  b.saw(
    'museum',
    'colour',
    { cockpit: 'TCS 47', 'instrument-panel': 'TCS 44', 'well-main-port': 'TCS 42', 'gear-main': 'TCS 62' },
    'clear',
  );
  b.saw('letter', 'colour', { 'well-main-starboard': 'TCS 42', 'gear-main': 'TCS 60' }, 'partial');
  b.saw('decals', 'marking', { 'fuselage-rear-starboard': 'ochre band' }, 'partial');
  b.saw('taxi', 'marking', { 'fuselage-rear-starboard': 'ochre band' }, 'partial', { sense: 'against' });
  b.saw(
    'apron',
    'marking',
    { 'fuselage-rear-port': 'ochre band', 'fuselage-forward-port': 'name under the sill' },
    'clear',
  );
  b.saw('hangar', 'marking', { 'fuselage-rear-port': 'ochre band' }, 'clear');
  b.saw('museum', 'seam', { 'fuselage-lower': 'real in part' }, 'clear', {
    note: 'real along the keel to the nose bay',
  });
  b.saw('manual', 'seam', { 'fuselage-lower': 'real in part' }, 'clear');
  b.saw('order', 'finish', { 'fuselage-mid-port': 'matt' }, 'clear');
  b.saw('apron', 'finish', { 'fuselage-mid-port': 'satin' }, 'partial', { note: 'sky mirrors along the spine' });
  b.saw('order', 'boundary', { 'fuselage-lower': 'hard' }, 'clear');
  b.saw('apron', 'boundary', { 'fuselage-lower': 'soft' }, 'clear');
  b.saw('hangar', 'boundary', { 'fuselage-lower': 'soft' }, 'partial');
  b.measured('apron', 'boundaryWidth', 'fuselage-lower', 60, 20, 'partial');
  b.saw('manual', 'aerial', { 'fuselage-mid-starboard': 'mast' }, 'clear');
  b.saw('hangar', 'aerial', { 'fuselage-mid-starboard': 'mast' }, 'clear');
  b.saw('kit', 'aerial', { 'fuselage-mid-starboard': 'wire' }, 'clear');
  b.saw('apron', 'gearCover', { 'gear-main': 'half' }, 'clear');
  b.saw('museum', 'gearCover', { 'gear-main': 'full' }, 'clear');
  b.saw('apron', 'wear', { 'cowling-port': 'exhaust stain to the wing root, oil below the panel' }, 'clear');
  b.saw('client', 'door', { canopy: 'open' }, 'clear');
  b.saw('apron', 'door', { canopy: 'closed' }, 'clear');
  b.measured('apron', 'size', 'fuselage-rear-port', 414, 10, 'clear');
  b.measured('engine', 'size', 'fuselage-rear-port', 409, 15, 'partial');
  b.measured('kit', 'size', 'fuselage-rear-port', 380, 5, 'clear');
  b.measured('decals', 'size', 'fuselage-rear-port', 410, 5, 'clear');

  for (const [zone, code] of Object.entries({ ...uppers, ...lowers }))
    b.rule('colour', zone, code, 'supported', 'drawing 31/7 and the photographs agree');
  b.rule(
    'colour',
    'fin-port',
    'TCS 27',
    'supported',
    'the apron picture is clear; the sheet shows the fin before its repaint',
  );
  b.rule('colour', 'spinner', 'TCS 05', 'supported', 'ochre in both May pictures');
  b.rule('colour', 'propeller', 'TCS 44', 'supported', 'handbook and photograph');
  b.rule('colour', 'cockpit', 'TCS 40', 'supported', 'handbook; the museum machine was repainted');
  b.rule('colour', 'seat', 'TCS 45', 'supported', 'handbook');
  b.rule('colour', 'instrument-panel', 'TCS 44', 'supported', 'handbook and museum');
  b.rule('colour', 'well-main-port', 'TCS 42', 'supported', 'handbook and museum');
  b.mirror('well-main', 'colour', 'sprayed before the wings were joined, both alike');
  b.rule('colour', 'gear-main', 'TCS 60', 'choice', 'three colours on one type; grey in the apron picture');
  b.rule('colour', 'gear-nose', 'TCS 60', 'choice', 'as the main legs');
  b.rule('colour', 'canopy', 'TCS 31', 'choice', 'frames as the surrounding upper colour');
  b.rule('marking', 'fuselage-rear-port', 'ochre band', 'supported', 'both May pictures');
  b.rule('marking', 'fuselage-forward-port', 'name under the sill', 'supported', 'apron picture');
  b.rule(
    'seam',
    'fuselage-lower',
    'real in part',
    'supported',
    'seen at the museum along the keel to the nose bay: not filled there',
  );
  b.rule('size', 'fuselage-rear-port', '410', 'supported', 'measured in two pictures; the sheet is narrow');

  for (const side of ['port', 'starboard'])
    b.rule('colour', `store-inner-${side}`, 'TCS 14', 'supported', 'the low pass shows both tanks as the underside');
  b.rule('finish', 'fuselage-mid-port', 'satin', 'choice', 'weathered matt, polished along the spine by crews');
  b.rule('boundary', 'fuselage-lower', 'soft', 'supported', 'both May pictures against the drawing');
  b.rule('boundaryWidth', 'fuselage-lower', '60', 'supported', 'measured in the apron picture');
  b.rule('aerial', 'fuselage-mid-starboard', 'mast', 'supported', 'handbook and picture');
  b.rule('gearCover', 'gear-main', 'half', 'supported', 'as in the apron picture');
  b.rule('wear', 'cowling-port', 'exhaust stain to the wing root, oil below the panel', 'supported', 'apron picture');
  b.rule('door', 'canopy', 'open', 'departure', 'the client wants the cockpit seen', { by: 'client' });

  b.coat('primer', 'Quoin', '350');
  b.coat('gloss', 'Hask', '143');
  b.choose('TCS 31', 'TCS 27', 'TCS 21', 'TCS 05', 'TCS 40', 'TCS 42', 'TCS 44', 'TCS 45');

  b.marking(
    'insignia',
    'National hexagon, fuselage',
    'fuselage-mid-port',
    760,
    ['TCS 01', 'TCS 19', 'TCS 05'],
    'decal',
    {
      printedMm: 15.9,
      places: [
        ['port', 5.25, 0.98],
        ['starboard', 5.25, 0.98],
      ],
    },
  );
  b.marking(
    'insignia',
    'National hexagon, wings',
    'wing-upper-outer-port',
    1100,
    ['TCS 01', 'TCS 19', 'TCS 05'],
    'decal',
    {
      printedMm: 22.9,
      places: [
        ['upper', 3.75, 3.9],
        ['upper', 3.75, -3.9],
        ['lower', 3.75, 3.9],
        ['lower', 3.75, -3.9],
      ],
    },
  );
  b.marking('lettering', 'Code letters', 'fuselage-forward-port', 560, ['TCS 01'], 'decal', {
    text: 'TK',
    printedMm: 12.4,
    sheet: [KIT_SHEET, 'letters'],
    places: [
      ['port', 4.15, 1.02],
      ['starboard', 4.15, 1.02],
    ],
  });
  b.marking('lettering', 'Code letter G', 'fuselage-mid-port', 560, ['TCS 01'], 'decal', {
    text: 'G',
    printedMm: 11.6,
    sheet: ['Pell Harbour 48-12, coast codes', 'codes'],
    places: [
      ['port', 6.15, 1.02],
      ['starboard', 6.15, 1.02],
    ],
  });
  b.marking('lettering', 'Serial', 'fuselage-rear-port', 190, ['TCS 20'], 'decal', {
    text: 'C 417',
    printedMm: 4,
    places: [
      ['port', 7.62, 1.02],
      ['starboard', 7.62, 1.02],
    ],
  });
  b.marking('band', 'Fuselage band', 'fuselage-rear-port', 410, ['TCS 05'], 'mask', {
    printedMm: 7.9,
    places: [
      ['port', 6.75, 1],
      ['upper', 6.75, 0],
      ['lower', 6.75, 0],
    ],
  });
  b.marking('lettering', 'Name under the sill', 'fuselage-forward-port', 110, ['TCS 06'], 'brush', {
    text: 'MARSH HEN',
    places: [['port', 3.35, 1.28]],
    design: { letters: { ...PLAIN_LETTERS, face: 'Sign painter’s hand', outline: signPainters('MARSHEN') } },
  });
  b.marking('kill marks', 'Mail runs, an egg each', 'fuselage-forward-port', 75, ['TCS 06'], 'own decal', {
    places: [['port', 3.3, 1.05]],
    design: { figures: [egg()], count: 14, perRow: 7, gap: 0.35 },
  });
  b.marking('artwork', 'Hen on the cowling', 'cowling-port', 330, ['TCS 06', 'TCS 20', 'TCS 10'], 'brush', {
    places: [['port', 1.05, 1.2]],
    design: { artwork: hen() },
  });
  b.marking('stencil', 'No step, flaps', 'wing-upper-inner-port', 62, ['TCS 10'], 'decal', {
    text: 'NO STEP',
    printedMm: 1.7,
    places: [
      ['upper', 4.55, 1.8],
      ['upper', 4.55, -1.8],
      ['upper', 4.5, 2.7],
      ['upper', 4.5, -2.7],
    ],
    sheet: [KIT_SHEET, 'no-step'],
  });
  const hexagon = b.markingPlace('National hexagon, wings', 1);
  b.field(
    'Green tip, its edge through the hexagon’s centre',
    'TCS 31',
    {
      kind: 'area',
      view: 'upper',
      smooth: true,
      corners: [
        { x: -1.6, y: 0.3, on: hexagon },
        { x: -0.7, y: 0.1, on: hexagon },
        { x: 0, y: 0, on: hexagon },
        { x: 0.8, y: -0.25, on: hexagon },
        { x: 1.7, y: -0.2, on: hexagon },
        { x: 1.6, y: -2.2, on: hexagon },
        { x: -1.5, y: -2.2, on: hexagon },
      ],
    },
    { edge: 'soft', softMm: 60 },
  );
  b.field('Ochre ground of the port hexagon', 'TCS 05', {
    kind: 'area',
    view: 'upper',
    smooth: false,
    corners: [
      [-0.48, -0.48],
      [0.48, -0.48],
      [0.48, 0.48],
      [-0.48, 0.48],
    ].map(([x, y]) => ({ x: x!, y: y!, on: hexagon })),
  });
  b.decalSheet({
    title: KIT_SHEET,
    denominator: 48,
    printedOn: 2004,
    filmUm: 18,
    condition: 'yellowed',
    note: 'In the box; the letters have a cream cast.',
    items: [
      { ...ITEM, key: 'hexagon', kind: 'insignia', title: 'Hexagon, fuselage', heightMm: 15.9, count: 2 },
      {
        ...ITEM,
        key: 'letters',
        kind: 'lettering',
        title: 'Code letters',
        letters: 'TKG',
        heightMm: 12.4,
        count: 2,
        spoiled: 1,
        lab: [90, 1, 9],
      },
      { ...ITEM, key: 'no-step', kind: 'stencil', title: 'No step', letters: 'NO STEP', heightMm: 1.7, count: 6 },
    ],
  });
  b.decalSheet({
    title: 'Pell Harbour 48-12, coast codes',
    denominator: 48,
    printedOn: 2021,
    filmUm: 9,
    condition: 'good',
    note: '',
    items: [
      { ...ITEM, key: 'codes', kind: 'lettering', title: 'White codes', letters: 'ABGKRST', heightMm: 11.6, count: 2 },
      {
        ...ITEM,
        key: 'stencils',
        kind: 'stencil',
        title: 'Wing stencils',
        letters: 'NO STEP',
        heightMm: 1.3,
        count: 12,
        spoiled: 2,
      },
    ],
  });
  return b.file();
}
