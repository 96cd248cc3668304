import { DEFAULT_OPTIONS } from '@/core/kit/options';
import { PRESETS } from '@/core/outline/presets';
import { AS_OUTLINED, NO_KIT_EXTRAS } from '@/core/kept/new-brief';
import { NO_CHANGES } from '@/core/evidence/weights';
import { BriefBuilder } from './builder';

/** A liaison aircraft on skis: summer camouflage under a worn temporary winter white. */
export function turnstone(startOn: string) {
  const b = new BriefBuilder(
    {
      kitMaker: 'Pell Harbour',
      kitNumber: '32-07',
      denominator: 32,
      timeZone: 'Europe/Berlin',
      tempC: 18,
      humidity: 45,
      startOn,
      options: { ...DEFAULT_OPTIONS, landing: 'skis', weathering: 'neglected', tonal: 'plain' },
      weights: NO_CHANGES,
      ...NO_KIT_EXTRAS,
      notes: 'The white goes on last and is worn through on purpose.',
    },
    {
      type: 'Orrin Turnstone',
      variant: 'L.1',
      serial: 'L 88',
      codeLetters: '',
      name: '',
      unit: 'Northern Post Flight',
      place: 'Hollin Fell',
      targetFrom: '1949-02-01',
      targetTo: '1949-02-28',
      lostOn: null,
      preset: 'high-wing',
      dimensions: PRESETS['high-wing'].dimensions,
      ...AS_OUTLINED,
    },
  );
  b.week([
    [1, '20:00', 90, true],
    [5, '14:00', 150, true],
  ]);
  b.source('kit', 'kit-sheet', 'Kit sheet 32-07', { citation: 'Pell Harbour 32-07', sides: ['port', 'upper'] });
  b.source('summer', 'photograph', 'Summer camp', { from: '1948-07-15', to: '1948-07-15', sides: ['port'] });
  b.source('ski', 'photograph', 'On skis, Hollin Fell', {
    from: '1949-02-11',
    to: '1949-02-11',
    sides: ['port', 'upper'],
  });
  const white = [
    'cowling-port',
    'cowling-starboard',
    'fuselage-forward-port',
    'fuselage-forward-starboard',
    'fuselage-mid-port',
    'fuselage-mid-starboard',
    'fuselage-rear-port',
    'fuselage-rear-starboard',
    'wing-upper-inner-port',
    'wing-upper-inner-starboard',
    'wing-upper-outer-port',
    'wing-upper-outer-starboard',
  ];
  const summer = Object.fromEntries(white.map((zone, i) => [zone, i % 2 ? 'TCS 29' : 'TCS 31']));
  for (const zone of white)
    b.event(`white ${zone}`, zone, 'repaint', '1948-12-04', 'temporary winter white, brushed on at the field', {
      value: 'TCS 01',
      showsUnder: true,
    });
  b.saw('kit', 'colour', summer, 'clear');
  b.saw('summer', 'colour', summer, 'partial');
  b.saw('ski', 'colour', Object.fromEntries(white.map((zone) => [zone, 'TCS 01'])), 'clear');
  b.saw(
    'ski',
    'wear',
    {
      'cowling-port': 'white worn through to the green along the panel edges',
      'fuselage-forward-port': 'white worn through round the door',
    },
    'clear',
  );
  b.saw(
    'summer',
    'colour',
    { 'fuselage-lower': 'TCS 13', 'wing-lower-port': 'TCS 13', 'wing-lower-starboard': 'TCS 13' },
    'inferred',
  );
  for (const zone of white)
    b.rule(
      'colour',
      zone,
      'TCS 01',
      'supported',
      'the ski picture; the summer colours lie under it and show where it wore',
    );
  b.rule(
    'layers',
    'cowling-port',
    'TCS 31, then TCS 01 worn thin',
    'supported',
    'summer camouflage first, then the white',
  );
  b.rule('colour', 'fuselage-lower', 'TCS 13', 'choice', 'nothing shows the underside clearly');
  for (const zone of ['wing-lower-port', 'wing-lower-starboard'])
    b.rule('colour', zone, 'TCS 13', 'supported', 'as the underside in the summer picture');
  const dark = [
    'tailplane-upper-port',
    'tailplane-upper-starboard',
    'tailplane-lower-port',
    'tailplane-lower-starboard',
    'fin-port',
    'fin-starboard',
  ];
  for (const zone of dark) b.rule('colour', zone, 'TCS 31', 'choice', 'the tail was left in its summer colours');
  const small = {
    cockpit: 'TCS 40',
    seat: 'TCS 40',
    'instrument-panel': 'TCS 44',
    canopy: 'TCS 31',
    spinner: 'TCS 24',
    propeller: 'TCS 24',
    'gear-main': 'TCS 31',
    'gear-tail': 'TCS 31',
  };
  for (const [zone, code] of Object.entries(small))
    b.rule('colour', zone, code, 'choice', 'no picture shows it: as the type was delivered');
  b.choose('TCS 01', 'TCS 13', 'TCS 31');
  b.marking('lettering', 'Serial', 'fuselage-rear-port', 420, ['TCS 24'], 'decal', {
    text: 'L 88',
    printedMm: 13,
    places: [
      ['port', 5.2, 0.85],
      ['starboard', 5.2, 0.85],
    ],
  });
  b.marking('window strip', 'Rear windows, three in a strip', 'fuselage-mid-port', 170, ['TCS 24'], 'decal', {
    printedMm: 5.4,
    places: [
      ['port', 4.15, 1.2],
      ['starboard', 4.15, 1.2],
    ],
    design: { count: 3, perRow: 3, gap: 0.25, aspect: 1.3 },
  });
  return b.file();
}

/** A fire-service rotorcraft in silver and red, blades folded, in a hangar scene. */
export function bracken(startOn: string) {
  const b = new BriefBuilder(
    {
      kitMaker: 'Marlstone',
      kitNumber: 'R-72-3',
      denominator: 72,
      timeZone: 'Europe/Berlin',
      tempC: 21,
      humidity: 50,
      startOn,
      options: {
        ...DEFAULT_OPTIONS,
        landing: 'skids',
        wings: 'folded',
        stand: 'a base',
        weathering: 'in service',
        tonal: 'black base',
      },
      weights: NO_CHANGES,
      ...NO_KIT_EXTRAS,
      notes: 'Blades folded aft on a hangar floor with a drip tray.',
    },
    {
      type: 'Tellin Bracken',
      variant: 'F.2',
      serial: 'FS 21',
      codeLetters: '21',
      name: '',
      unit: 'Tarravian Fire Service',
      place: 'Mirren hangar',
      targetFrom: '1963-09-01',
      targetTo: '1963-09-30',
      lostOn: null,
      preset: 'rotorcraft',
      dimensions: PRESETS.rotorcraft.dimensions,
      ...AS_OUTLINED,
    },
  );
  b.week([
    [3, '20:00', 100, true],
    [6, '20:00', 100, true],
  ]);
  b.source('card', 'photograph', 'Picture postcard', { from: '1963-08-01', to: '1963-10-31', sides: ['starboard'] });
  b.source('kit', 'kit-sheet', 'Kit sheet R-72-3', { citation: 'Marlstone R-72-3', sides: ['port', 'starboard'] });
  b.source('fire', 'letter', 'Letter of a pilot', { citation: 'D. Aske, letter of 9 June 2001' });
  const silver = ['fuselage-rear-port', 'fuselage-rear-starboard', 'fuselage-lower', 'fin-port', 'fin-starboard'];
  const red = ['fuselage-forward-port', 'fuselage-forward-starboard', 'fuselage-mid-port', 'fuselage-mid-starboard'];
  const scheme = Object.fromEntries([
    ...silver.map((zone) => [zone, 'TCS 62']),
    ...red.map((zone) => [zone, 'TCS 10']),
  ]);
  b.saw('card', 'colour', scheme, 'clear');
  b.saw('kit', 'colour', scheme, 'clear');
  b.saw('fire', 'fit', { 'rotor-blades': 'folded aft in the hangar, blade socks red' }, 'partial');
  for (const zone of silver) b.rule('colour', zone, 'TCS 62', 'supported', 'postcard and sheet agree');
  for (const zone of red) b.rule('colour', zone, 'TCS 10', 'supported', 'postcard and sheet agree');
  b.ask('colour', 'skids');
  b.ask('colour', 'cockpit');
  b.marking('lettering', 'Number', 'fuselage-mid-port', 500, ['TCS 02'], 'decal', {
    text: '21',
    printedMm: 7,
    places: [
      ['port', 3.1, 1.15],
      ['starboard', 3.1, 1.15],
    ],
  });
  return b.file();
}
