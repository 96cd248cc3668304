import { BLANK_PART } from '@/core/kept/blank';
import type { Fields } from '@/core/kept/records';
import type { BriefFile } from '@/core/interchange/brief-file';
import { addDays, type Day } from '@/core/units/day';

type Given = Partial<Fields<'part'>> & { sprue: string; number: string };
const part = (given: Given): Fields<'part'> => ({ ...BLANK_PART, ...given });
/** Sound parts of a sprue that nobody has to think about. */
const sound = (sprue: string, from: number, to: number, zone: string): Fields<'part'>[] =>
  Array.from({ length: to - from + 1 }, (_, i) => part({ sprue, number: String(from + i), zone }));

/** What came out of the box: a leg broken in the bag, a wheel lost, a cloudy canopy, an etched and a resin set, a leg on order. */
const box = (today: Day): Fields<'part'>[] => [
  ...sound('A', 1, 6, ''),
  part({ sprue: 'A', number: '7', name: 'spinner', zone: 'spinner', condition: 'flash' }),
  ...sound('B', 1, 8, 'wing-upper-inner-port'),
  part({ sprue: 'C', number: '3', name: 'nose leg', zone: 'gear-nose', instructionStep: '14', condition: 'broken' }),
  part({ sprue: 'C', number: '4', name: 'main leg', count: 2, zone: 'gear-main', instructionStep: '15' }),
  part({
    sprue: 'C',
    number: '9',
    name: 'nose wheel',
    zone: 'gear-nose',
    instructionStep: '14',
    condition: 'missing',
    orderedUntil: addDays(today, 9),
  }),
  part({ sprue: 'D', number: '1', name: 'canopy', zone: 'canopy', instructionStep: '19', condition: 'cloudy' }),
  part({ sprue: 'PE', number: '1', name: 'panel', zone: 'instrument-panel', origin: 'etched', instructionStep: '2' }),
  part({ sprue: 'PE', number: '4', name: 'belts', count: 4, zone: 'seat', origin: 'etched', instructionStep: '3' }),
  part({ sprue: 'R', number: '1', name: 'seat', zone: 'seat', origin: 'resin', instructionStep: '3' }),
];

export const firstEveningParts = box;

/** As a file has it: what it replaces by its number. */
const inFile = ({ replacesIds: _none, ...given }: Fields<'part'>, ...replaces: string[]) => ({
  ...given,
  replaces,
});

/** Those of the main demo, half built: a turned leg is used instead of the broken one. */
export const dunlinParts = (today: Day): BriefFile['parts'] => [
  ...box(today).map((given) => inFile(given)),
  inFile(
    part({
      sprue: 'T',
      number: '1',
      name: 'turned nose leg',
      zone: 'gear-nose',
      origin: 'turned',
      instructionStep: '14',
    }),
    'C 3',
  ),
];
