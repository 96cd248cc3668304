import type { Aspect } from '@/core/evidence/aspects';
import { questionKey } from '@/core/evidence/question-key';
import { sightOf } from '@/core/kit/seen';
import type { Options } from '@/core/kit/options';
import { among, type Among } from '@/core/kit/among';
import type { Machine } from '@/core/kit/machine';
import type { Fields } from '@/core/kept/records';
import { outlineOf } from '@/core/kept/state';
import type { Outline } from '@/core/outline/outline';
import { machineOf } from '@/core/outline/presets';
import { sided } from '@/core/outline/zones';

/** The questions that a build raises before anybody looked at a source: from the airframe, its marks and the options. */

export type BornQuestion = Fields<'question'>;

/** What is asked of zones beside their colour, as data. */
interface Asking {
  aspect: Aspect;
  item: string;
  /** Zones by their keys; those that the outline does not have are not asked about. */
  zones: readonly string[];
  where?: Among<Options>;
  on?: Among<Machine>;
  /** Only where the airframe has such a mark. */
  mark?: 'codeLetters' | 'serial' | 'name';
}

const both = (key: string) => [sided(key, 'port'), sided(key, 'starboard')];
const SIDES = both('fuselage-mid');
const WEATHERED: Among<Options> = { weathering: ['in service', 'neglected', 'derelict'] };

const ASKED: readonly Asking[] = [
  { aspect: 'finish', item: '', zones: [SIDES[0]!, 'fuselage-lower'] },
  { aspect: 'boundary', item: '', zones: [...SIDES, ...both('wing-upper-inner')] },
  { aspect: 'boundaryPlace', item: '', zones: SIDES },
  {
    aspect: 'marking',
    item: 'insignia',
    zones: [...both('wing-upper-outer'), ...both('wing-lower'), ...both('fuselage-rear'), ...both('fin')],
  },
  { aspect: 'size', item: 'insignia', zones: ['wing-upper-outer-port', 'wing-lower-port', 'fuselage-rear-port'] },
  { aspect: 'style', item: 'code letters', zones: both('fuselage-rear'), mark: 'codeLetters' },
  { aspect: 'size', item: 'code letters', zones: ['fuselage-rear-port'], mark: 'codeLetters' },
  { aspect: 'markingPlace', item: 'code letters', zones: both('fuselage-rear'), mark: 'codeLetters' },
  { aspect: 'marking', item: 'serial', zones: both('fin'), mark: 'serial' },
  { aspect: 'size', item: 'serial', zones: ['fin-port'], mark: 'serial' },
  { aspect: 'marking', item: 'name', zones: both('fuselage-forward'), mark: 'name' },
  { aspect: 'gearCover', item: '', zones: ['gear-main'], where: { landing: ['wheels'] } },
  { aspect: 'fit', item: 'equipment', zones: ['cockpit'] },
  { aspect: 'marking', item: 'blade tips', zones: ['propeller'] },
  ...(
    [
      ['cowling', both('cowling')],
      ['nacelles', both('nacelle')],
      ['tail', both('fuselage-rear')],
      ['body', both('fuselage-mid')],
    ] as const
  ).map(([exhausts, zones]): Asking => ({
    aspect: 'wear',
    item: 'exhaust stains',
    zones,
    where: WEATHERED,
    on: { exhausts: [exhausts] },
  })),
  {
    aspect: 'wear',
    item: '',
    zones: ['wing-upper-inner-port', 'fuselage-lower'],
    where: WEATHERED,
  },
  { aspect: 'seam', item: 'spine', zones: ['fuselage-mid-port'] },
  { aspect: 'seam', item: 'belly', zones: ['fuselage-lower'] },
  { aspect: 'seam', item: 'leading edge', zones: both('wing-upper-outer') },
  { aspect: 'aerial', item: '', zones: ['fuselage-mid-port'] },
  { aspect: 'door', item: '', zones: ['fuselage-mid-port'], where: { doors: ['open'] } },
  { aspect: 'fit', item: 'stores', zones: ['wing-lower-port'], where: { stores: ['tanks', 'loads'] } },
  { aspect: 'fit', item: 'crew', zones: ['cockpit'], where: { crew: ['aboard'] } },
  { aspect: 'fit', item: 'lights', zones: both('wing-upper-outer'), where: { lights: ['lenses', 'lit'] } },
  { aspect: 'fit', item: 'what is missing', zones: SIDES, where: { state: ['derelict'] } },
  { aspect: 'fit', item: 'covers', zones: ['canopy', 'windscreen'], where: { state: ['stored'] } },
  { aspect: 'fit', item: 'rigging', zones: ['struts'], on: { wires: ['braced'] } },
  // Of ships.
  { aspect: 'boundaryPlace', item: 'waterline', zones: both('hull') },
  { aspect: 'pattern', item: '', zones: both('hull') },
  { aspect: 'marking', item: 'pennant number', zones: both('hull'), mark: 'codeLetters' },
  { aspect: 'size', item: 'pennant number', zones: ['hull-port'], mark: 'codeLetters' },
  { aspect: 'fit', item: 'boats and rails', zones: ['fittings'] },
  { aspect: 'wear', item: 'rust', zones: both('hull'), where: WEATHERED },
];

export interface Born {
  questions: BornQuestion[];
  /** Zones that the options hide, with the reason: nothing is asked of them. */
  leftOut: { zone: string; title: string; because: string }[];
}

/** All that this build raises: the colour of each zone that is seen, then what else has to be found out. In the order of the sheet. */
export function bornQuestions(
  { zones, spec }: Outline,
  options: Options,
  airframe: Pick<Fields<'airframe'>, 'codeLetters' | 'serial' | 'name'>,
): Born {
  const leftOut: Born['leftOut'] = [];
  const seen = zones.filter((zone) => {
    const { sight, because } = sightOf(zone, options);
    if (sight === 'hidden') leftOut.push({ zone: zone.key, title: zone.title, because });
    return sight !== 'hidden';
  });
  const keys = new Set(seen.map(({ key }) => key));
  const machine = machineOf(spec);
  const asked = ASKED.filter(
    ({ where = {}, on = {}, mark }) => among(where, options) && among(on, machine) && (!mark || airframe[mark] !== ''),
  ).flatMap(({ aspect, item, zones: of }) =>
    of.filter((zone) => keys.has(zone)).map((zone): BornQuestion => ({ zone, aspect, item })),
  );
  const figures = seen
    .filter(({ subject }) => subject?.part === 'clothes')
    .map(({ key }): BornQuestion => ({ zone: key, aspect: 'fit', item: 'role' }));
  return {
    questions: [
      ...seen.map(({ key }): BornQuestion => ({ zone: key, aspect: 'colour', item: '' })),
      ...asked,
      ...figures,
    ],
    leftOut,
  };
}

/** What a brief raises as it stands, or as it is being made. */
export const raisedBy = (state: Parameters<typeof outlineOf>[0]): BornQuestion[] =>
  bornQuestions(outlineOf(state), state.brief.options, state.airframe).questions;

/** Those of the questions that nobody asked yet. */
export function notAsked(born: readonly BornQuestion[], known: readonly BornQuestion[]): BornQuestion[] {
  const asked = new Set(known.map(questionKey));
  return born.filter((question) => !asked.has(questionKey(question)));
}
