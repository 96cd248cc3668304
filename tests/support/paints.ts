import { paintFields, type Fields, type Kept } from '@/core/kept/records';
import type { Bottle, Paint } from '@/core/paint/catalogue';

const BLANK = paintFields.omit({ lineId: true }).parse({
  number: '1',
  name: '',
  kind: 'solid',
  finish: 'matt',
  opacity: 'opaque',
  lab: [50, 0, 0],
  sd: 0.5,
  sizeMl: 17,
  priceCents: 300,
  claims: [],
});

/** An invented paint, with whatever a test minds set. */
export const paintOf = (given: Partial<Paint> & { id: string }): Paint => ({
  ...BLANK,
  version: 1,
  lineId: 'line',
  lineVersion: 1,
  line: 'Hask',
  chemistry: 'WA',
  thinner: '',
  thinRatio: null,
  dries: {},
  bottles: [],
  ownedMl: 0,
  ...given,
});

export const bottleOf = (given: Partial<Bottle> = {}): Bottle => ({
  id: 'b',
  version: 1,
  mlLeft: 10,
  openedOn: null,
  condition: '',
  strength: 1,
  ...given,
});

export const codeOf = (given: Partial<Kept<'colour_code'>> & { code: string }): Kept<'colour_code'> => ({
  id: `code ${given.code}`,
  version: 1,
  system: given.code.split(' ')[0]!,
  name: '',
  finish: 'matt',
  kind: 'solid',
  ground: '',
  flop: '',
  ...given,
});

export const chipOf = (given: Partial<Kept<'chip'>> & Pick<Fields<'chip'>, 'codeId' | 'lab'>): Kept<'chip'> => ({
  id: 'chip',
  version: 1,
  origin: 'measured',
  sd: 0.4,
  instrument: '',
  batch: '',
  leftOut: false,
  note: '',
  ...given,
});
