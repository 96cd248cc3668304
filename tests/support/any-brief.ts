import fc from 'fast-check';
import { briefFileSchema, toBriefFile, type BriefFile } from '@/core/interchange/brief-file';
import { whyNot } from '@/core/kit/conflicts';
import { NOT_BEGUN } from '@/core/kit/machine';
import { OPTION_CHOICES, OPTION_NAMES, ZONED_SCHOOLS, type Options } from '@/core/kit/options';
import { COURSES } from '@/core/markings/design';
import { WHITES } from '@/core/markings/printing';
import { machineOf, PRESET_NAMES, PRESETS } from '@/core/outline/presets';
import { COAT_ROLES, ROLE_FACTS } from '@/core/paint/coat-roles';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { viewOfDemo } from './demo-brief';

/** Briefs that nobody made by hand: other machines, options, paints, markings, rulings and finishes, made of the demo. */

const { view, shelf } = viewOfDemo();
export const DEMO: BriefFile = toBriefFile(view.state, shelf, []);

/** A product for each coat everywhere and another on some zones: each line's first that can serve as it. */
const COATS: BriefFile['coats'] = COAT_ROLES.flatMap((role) => {
  const serve = shelf.paints.filter(ROLE_FACTS[role].isMadeFor);
  const other = serve.find(({ chemistry }) => chemistry !== serve[0]!.chemistry) ?? serve.at(-1)!;
  const zones =
    role === 'primer' ? ['fuselage-forward-port', 'gear-main', 'cockpit'] : ['fin-port', 'wing-upper-outer-port'];
  return [
    { role, line: serve[0]!.line, number: serve[0]!.number, way: '', zones: [] },
    { role, line: other.line, number: other.number, way: '', zones },
  ];
});

/** Zones of which the layers are ruled. */
const LAYERED = ['cockpit', 'well-main-port', 'gear-main', 'wing-upper-inner-port', 'deck', 'fittings'];

export const anyBrief: fc.Arbitrary<BriefFile> = fc
  .record({
    preset: fc.constantFrom(...PRESET_NAMES),
    options: fc.record(
      Object.fromEntries(OPTION_NAMES.map((name) => [name, fc.constantFrom(...OPTION_CHOICES[name].choices)])),
    ),
    chemistries: fc.array(fc.constantFrom(...CHEMISTRY_NAMES.filter((name) => !['OI', 'EW'].includes(name))), {
      minLength: 1,
      maxLength: 5,
    }),
    methods: fc.array(fc.constantFrom('decal', 'mask', 'brush', 'pen', 'own decal'), { minLength: 1, maxLength: 4 }),
    whites: fc.array(fc.constantFrom(...WHITES), { minLength: 1, maxLength: 3 }),
    course: fc.constantFrom(...COURSES),
    unruled: fc.integer({ min: 1, max: 6 }),
    winter: fc.boolean(),
    climate: fc.record({ tempC: fc.integer({ min: 12, max: 28 }), humidity: fc.integer({ min: 30, max: 80 }) }),
    coats: fc.subarray(COATS),
    bay: fc.boolean(),
    schoolsAt: fc.array(
      fc
        .record({
          school: fc.constantFrom(...ZONED_SCHOOLS),
          zones: fc.subarray(['wing-lower-port', 'fin-port', 'fuselage-mid-port', 'deck', 'ground'], { minLength: 1 }),
          choice: fc.nat(2),
        })
        .map(({ school, zones, choice }) => {
          const { choices } = OPTION_CHOICES[school];
          return { school, zones, value: choices[choice % choices.length]! };
        }),
      { maxLength: 3 },
    ),
    layered: fc.subarray(LAYERED),
    stencil: fc.boolean(),
  })
  .map(
    ({
      preset,
      options,
      chemistries,
      methods,
      whites,
      course,
      unruled,
      winter,
      climate,
      coats,
      bay,
      schoolsAt,
      layered,
      stencil,
    }): BriefFile => {
      const machine = machineOf({ preset });
      const wanted = options as unknown as Options;
      const possible = whyNot(wanted, machine, NOT_BEGUN).length === 0 ? wanted : DEMO.brief.options;
      const sound = whyNot(possible, machine, NOT_BEGUN).length === 0;
      return {
        ...DEMO,
        brief: {
          ...DEMO.brief,
          ...climate,
          options: sound ? possible : { ...possible, gear: 'down', stores: 'none' },
          storesAt: bay ? [{ station: 'bay', carries: 'marker buoys' }] : [],
          maskOrder: [],
          schoolsAt,
          // At the scale of an aircraft a ship would be as long as the room.
          denominator: preset === 'ship' ? 350 : DEMO.brief.denominator,
        },
        airframe: sound
          ? { ...DEMO.airframe, preset, dimensions: PRESETS[preset].dimensions, profile: null }
          : DEMO.airframe,
        questions: [
          ...DEMO.questions,
          ...layered.map((zone): BriefFile['questions'][number] => ({
            ref: `layers ${zone}`,
            zone,
            aspect: 'layers',
            item: '',
          })),
        ],
        rulings: [
          ...DEMO.rulings.filter((_, i) => i % unruled !== unruled - 1 || unruled === 1),
          ...layered.map((zone) => ({
            ...DEMO.rulings[0]!,
            question: `layers ${zone}`,
            value: 'TCS 07 > chipping fluid > TCS 12 > scratched through',
            basis: 'choice' as const,
            favoured: null,
          })),
        ],
        fields: DEMO.fields.map((field) => {
          const { shape } = field;
          return stencil && shape.kind === 'area'
            ? {
                ...field,
                shape: { ...shape, kind: 'mottle' as const, density: 0.3, blotchMm: 250, by: 'stencil' as const },
              }
            : field;
        }),
        markings: DEMO.markings.map((marking, i) => ({
          ...marking,
          method: methods[i % methods.length]! as never,
          printing: { ...marking.printing, white: whites[i % whites.length]! },
          design: marking.kind === 'band' ? { ...marking.design, course, aspect: 12 } : marking.design,
        })),
        lines: DEMO.lines.map((line, i) => ({ ...line, chemistry: chemistries[i % chemistries.length]! })),
        events: winter
          ? [
              ...DEMO.events,
              {
                ...DEMO.events[0]!,
                ref: 'snow',
                zone: 'wing-upper-outer-port',
                kind: 'temporary' as const,
                onDay: '1951-01-10',
                value: 'TCS 01',
                showsUnder: true,
              },
            ]
          : DEMO.events,
        parts: [],
        coats,
      } as BriefFile;
    },
  )
  .filter((file) => briefFileSchema.safeParse(file).success);
