export const CHEMISTRIES = {
  WA: { title: 'Water-based acrylic' },
  SA: { title: 'Alcohol-thinned acrylic' },
  AL: { title: 'Acrylic lacquer' },
  EN: { title: 'Enamel' },
  ML: { title: 'Metallic lacquer' },
  OI: { title: 'Oil' },
  EW: { title: 'Enamel wash in mineral spirit' },
} as const;
export type Chemistry = keyof typeof CHEMISTRIES;
export const CHEMISTRY_NAMES = Object.keys(CHEMISTRIES) as [Chemistry, ...Chemistry[]];

export type Verdict = 'ok' | 'after cure' | 'mist first' | 'risk' | 'no';
export interface OverRule {
  verdict: Verdict;
  says: string;
}

/** It spoils the work unless something is done. */
export const isGrave = (verdict: Verdict): boolean => verdict === 'risk' || verdict === 'no';

const ok: OverRule = { verdict: 'ok', says: 'may go over it once it may be recoated' };
const cured: OverRule = { verdict: 'after cure', says: 'only over a fully cured coat' };

type Ground = 'WA' | 'SA' | 'AL' | 'EN' | 'OI';
type Rules = Record<Exclude<Ground, 'OI'>, OverRule>;
const WA: Rules = {
  WA: ok,
  SA: ok,
  AL: ok,
  EN: { verdict: 'after cure', says: 'after full cure; weak grip on gloss' },
};
const AL: Rules = {
  WA: { verdict: 'risk', says: 'softens it and leaves pinholes: only over a cured coat, in mist coats, or not at all' },
  SA: { verdict: 'risk', says: 'mist coats only' },
  AL: ok,
  EN: { verdict: 'no', says: 'wrinkles it, unless cured and sealed' },
};
const SPIRIT: Record<Ground, OverRule> = {
  WA: cured,
  SA: cured,
  AL: ok,
  EN: { verdict: 'no', says: 'lifts it without a sealing acrylic or lacquer clear' },
  OI: { verdict: 'after cure', says: 'only over oils that are dry right through: it takes up what is still soft' },
};

/** Oils and washes under a coat of paint are like enamel under it. */
const overOils = (rules: Rules): Record<Ground, OverRule> => ({ ...rules, OI: rules.EN });

/** What may go over what (typical bench experience; a test on scrap comes first). */
const OVER: Record<Chemistry, Record<Ground, OverRule>> = {
  WA: overOils(WA),
  SA: overOils({ WA: { verdict: 'mist first', says: 'a mist coat first, then wet coats' }, SA: ok, AL: ok, EN: cured }),
  AL: overOils(AL),
  ML: overOils(AL),
  EN: overOils({ WA: cured, SA: cured, AL: ok, EN: { verdict: 'ok', says: 'after 48 h' } }),
  OI: SPIRIT,
  EW: SPIRIT,
};

const GROUND_OF: Record<Chemistry, Ground> = { WA: 'WA', SA: 'SA', AL: 'AL', ML: 'AL', EN: 'EN', OI: 'OI', EW: 'OI' };

/** Whether `over` may be laid on `under`, in words. */
export function layOver(over: Chemistry, under: Chemistry): OverRule {
  return OVER[over][GROUND_OF[under]];
}
