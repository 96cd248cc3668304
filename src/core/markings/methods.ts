import type { Minutes } from '@/core/units/minutes';
import { counted } from '@/core/units/words';
import type { SheetCondition } from './decal-sheet';
import { eyeLimit, EYE_MM } from './fit';
import { MARKING_METHODS, type MarkingMethod } from './kinds';
import type { Printing } from './printing';

/** What decides between the ways of making a marking, on the model. */
export interface MethodFacts {
  heightMm: number;
  widthMm: number;
  /** Narrowest stroke or neck, mm; null for a band. */
  leastDetailMm: number | null;
  areaCm2: number;
  colours: number;
  /** Coats of its colours, in all. */
  coats: number;
  /** What it takes at the bench, by each way of making it. */
  minutes: Readonly<Record<MarkingMethod, Minutes>>;
  /** Of the skin under it, %. */
  stretchPercent: number;
  /** Hinge and panel lines that it crosses. */
  crosses: number;
  /** The sheet that it is on; null where it is on none. */
  sheet: { age: number | null; filmUm: number | null; condition: SheetCondition; errorPercent: number | null } | null;
  /** How it would be printed at home. */
  printing: Pick<Printing, 'film' | 'white'>;
  /** It is there as a dry transfer. */
  rubDown?: boolean;
  /** The ground under it: on matt a decal silvers. */
  isMatt: boolean;
  /** Finest line of each tool of the house, mm; null where there is none of the kind. */
  lines: { airbrush: number | null; brush: number | null; pen: number | null; cutter: number | null; printer: number };
}

export interface MethodChoice {
  method: MarkingMethod;
  hours: number;
  /** Thickness that stays to be felt, µm. */
  filmUm: number;
  /** Thinnest thing it can make here, mm. */
  leastMm: number;
  edge: string;
  risks: string[];
  /** What forbids it; null where it can be done. */
  cannot: string | null;
  /** Hours with those that its risks are worth. */
  weight: number;
}

/** Home printers draw a tenth of a millimetre; decals from the trade finer. */
export const PRINTER_LINE_MM = 0.1;
const DECAL_LINE_MM = 0.05;
/** Artwork is laid out, printed, sealed twice and cut before it goes on. */
const PRINTING: Minutes = 36;
/** What a risk that comes true costs, hours, weighed by how often it does. Estimates of the bench, to be corrected by the log. */
const RISK_HOURS = { slight: 0.2, some: 0.6, grave: 1.6 };
/** Sheets older than this are tried on a spare first, years. */
const OLD_SHEET = 15;
/** Thicker than this, decal film shows from arm's length, µm. */
const THICK_FILM = 15;
/** More stretch than this a decal or mask does not take without being cut, %. */
const TOO_CURVED = 2;

/** More lines of a pen side by side than this dry in streaks. */
const MOST_PEN_LINES = 3;

interface Draft {
  filmUm: number;
  leastMm: number;
  edge: string;
  risks: [weight: keyof typeof RISK_HOURS, says: string][];
  cannot: string | null;
}

type Rule = (facts: MethodFacts) => Draft;

const curved = ({ stretchPercent }: MethodFacts, what: string): Draft['risks'] =>
  stretchPercent > TOO_CURVED
    ? [['some', `${what} over skin that is curved both ways (${stretchPercent.toFixed(1)} %)`]]
    : [];

function printRisks({ film, white }: MethodFacts['printing']): Draft['risks'] {
  if (film === 'white') return [['slight', 'white film is cut to its very line, and its edge touched up']];
  return white === 'none' ? [['some', 'print is transparent: over a dark ground it needs white under it']] : [];
}

const RULES: Record<MarkingMethod, Rule> = {
  decal: (facts) => {
    const { sheet, areaCm2, isMatt, crosses } = facts;
    const film = sheet?.filmUm ?? 20;
    return {
      filmUm: film,
      leastMm: DECAL_LINE_MM,
      edge: 'a step of film all round',
      risks: [
        ...(film > THICK_FILM ? ([['some', `film of ${film} µm shows`]] as Draft['risks']) : []),
        ...(sheet && sheet.errorPercent !== null && Math.abs(sheet.errorPercent) > 2
          ? ([
              [
                'grave',
                `printed ${Math.abs(sheet.errorPercent).toFixed(0)} % too ${sheet.errorPercent > 0 ? 'big' : 'small'}`,
              ],
            ] as Draft['risks'])
          : []),
        ...(sheet?.condition === 'yellowed'
          ? ([['some', 'the sheet is yellowed: days in a sunny window first']] as Draft['risks'])
          : []),
        ...(sheet?.condition === 'brittle' || (sheet?.age ?? 0) > OLD_SHEET
          ? ([['some', 'an old sheet may shatter: try a spare']] as Draft['risks'])
          : []),
        ...(isMatt && areaCm2 > 1 ? ([['some', 'clear film silvers on matt: gloss first']] as Draft['risks']) : []),
        ...(crosses > 0 ? ([['slight', `${counted(crosses, 'line')} to cut over`]] as Draft['risks']) : []),
        ...curved(facts, 'the film has to be cut'),
      ],
      cannot: sheet ? null : 'it is on no sheet that you own',
    };
  },
  mask: (facts) => {
    const { colours, coats, leastDetailMm, lines, crosses } = facts;
    const least = lines.cutter ?? 1;
    return {
      filmUm: 15 * Math.max(1, coats),
      leastMm: least,
      edge: 'sharp, a ridge that is rubbed down',
      risks: [
        ...(colours > 2 ? ([['slight', `${counted(colours, 'colour')} have to register`]] as Draft['risks']) : []),
        ...(crosses > 0
          ? ([['some', 'paint bleeds under a mask over raised lines: seal its edge']] as Draft['risks'])
          : []),
        ...curved(facts, 'a mask creases'),
      ],
      cannot:
        lines.airbrush === null
          ? 'there is no airbrush'
          : leastDetailMm !== null && leastDetailMm < least
            ? `its stroke of ${leastDetailMm.toFixed(2)} mm is finer than a mask is cut (${least} mm)`
            : null,
    };
  },
  brush: (facts) => {
    const { areaCm2, coats, leastDetailMm, lines } = facts;
    const least = lines.brush ?? 0.2;
    const isLarge = areaCm2 > 3;
    return {
      filmUm: 25 * Math.max(1, coats),
      leastMm: least,
      edge: 'by hand',
      risks: isLarge ? [['some', 'strokes show on an area of this size']] : [['slight', 'a steady hand']],
      cannot:
        lines.brush === null
          ? 'there is no brush'
          : leastDetailMm !== null && leastDetailMm < least
            ? `its stroke of ${leastDetailMm.toFixed(2)} mm is finer than a brush draws (${least} mm)`
            : null,
    };
  },
  pen: ({ areaCm2, colours, leastDetailMm, lines }) => ({
    filmUm: 5,
    leastMm: lines.pen ?? 0.3,
    edge: 'a line of ink',
    risks: [['some', 'permanent ink bleeds under a solvent clear: test, and seal with water-based']],
    cannot:
      lines.pen === null
        ? 'there is no pen'
        : colours > 1
          ? 'it has more than one colour'
          : areaCm2 > 1.5
            ? 'it is too large for a pen'
            : leastDetailMm !== null && leastDetailMm < lines.pen
              ? `its stroke of ${leastDetailMm.toFixed(2)} mm is finer than the pen (${lines.pen} mm)`
              : leastDetailMm !== null && leastDetailMm > MOST_PEN_LINES * lines.pen
                ? `strokes of ${leastDetailMm.toFixed(2)} mm come out streaky, filled line by line`
                : null,
  }),
  'own decal': (facts) => ({
    filmUm: 25,
    leastMm: facts.lines.printer,
    edge: 'a step of film all round',
    risks: [
      ...printRisks(facts.printing),
      ['slight', 'print spares, and seal before water'],
      ...(facts.isMatt && facts.areaCm2 > 1 ? ([['some', 'clear film silvers on matt']] as Draft['risks']) : []),
      ...curved(facts, 'the film has to be cut'),
    ],
    cannot:
      facts.leastDetailMm !== null && facts.leastDetailMm < facts.lines.printer
        ? `its stroke of ${facts.leastDetailMm.toFixed(2)} mm is finer than a printer draws (${facts.lines.printer} mm)`
        : null,
  }),
  'dry transfer': (facts) => ({
    filmUm: 8,
    leastMm: DECAL_LINE_MM,
    edge: 'no film beyond the print',
    risks: [['some', 'it cannot be moved once it is down'], ...curved(facts, 'it cracks')],
    cannot: facts.rubDown ? null : 'it is on no rub-down sheet that you own',
  }),
};

/** All ways compared, the lightest first; those that cannot be come last. */
export function compareMethods(facts: MethodFacts): MethodChoice[] {
  return MARKING_METHODS.map((method): MethodChoice => {
    const { risks, ...draft } = RULES[method](facts);
    const hours = (facts.minutes[method] + (method === 'own decal' ? PRINTING : 0)) / 60;
    const weight =
      hours + risks.reduce((sum, [grade]) => sum + RISK_HOURS[grade], 0) + Math.max(0, draft.filmUm - 12) / 80;
    return { method, hours, ...draft, risks: risks.map(([, says]) => says), weight };
  }).sort((a, b) => Number(a.cannot !== null) - Number(b.cannot !== null) || a.weight - b.weight);
}

export interface Makeable {
  visible: boolean;
  /** Height at which its finest stroke can just be seen or made, mm on the model; null where it is so already. */
  wouldBeMm: number | null;
  /** How far over scale that is, %. */
  overPercent: number | null;
  says: string;
}

/** Whether it is seen and can be made at this scale; if not, the size that would be. */
export function makeable(
  { heightMm, leastDetailMm }: Pick<MethodFacts, 'heightMm' | 'leastDetailMm'>,
  leastMm: number,
): Makeable {
  if (leastDetailMm === null || leastDetailMm <= 0)
    return { visible: true, wouldBeMm: null, overPercent: null, says: 'broad enough to be seen and made' };
  const eye = eyeLimit(EYE_MM);
  const visible = leastDetailMm >= eye;
  const needed = Math.max(eye, leastMm);
  if (leastDetailMm >= needed)
    return {
      visible,
      wouldBeMm: null,
      overPercent: null,
      says: `its finest stroke is ${leastDetailMm.toFixed(2)} mm: seen and made`,
    };
  const times = needed / leastDetailMm;
  return {
    visible,
    wouldBeMm: heightMm * times,
    overPercent: (times - 1) * 100,
    says: `its finest stroke is ${leastDetailMm.toFixed(2)} mm, ${visible ? 'seen but' : 'too fine to be seen from 300 mm, and'} finer than can be made (${leastMm} mm): it would have to be ${(heightMm * times).toFixed(1)} mm high, ${((times - 1) * 100).toFixed(0)} % over scale`,
  };
}

/** When a test piece is worth its time: where builders regret not having made one. */
export function testPiece(facts: MethodFacts, method: MarkingMethod, kind: string): string | null {
  if (
    method === 'decal' &&
    ((facts.sheet?.age ?? 0) > OLD_SHEET ||
      facts.sheet?.condition === 'brittle' ||
      facts.sheet?.condition === 'untried')
  )
    return 'Dip a spare of this sheet first: does it hold together, and does the softener leave it whole on this gloss?';
  if (kind === 'artwork' && (method === 'brush' || method === 'own decal'))
    return 'Make the artwork once on a sprayed card: size, colours over this ground, and whether it bleeds under the clear.';
  if (method === 'pen') return 'Draw a stroke on a sprayed card and clear it over: does the ink stay where it is?';
  if (method === 'mask' && facts.colours > 2)
    return 'Spray all layers once on a card: do they register, and does each hide the one under it?';
  return null;
}
