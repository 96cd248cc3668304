import type { Lab } from '@/core/colour/types';
import type { PaintKind } from './catalogue';

/** Grounds that builders lay under a colour. */
export const GROUNDS = [
  { key: 'black', title: 'Black', lab: [14, 0, 0] },
  { key: 'dark-grey', title: 'Dark grey', lab: [32, 0, -1] },
  { key: 'grey', title: 'Mid grey', lab: [56, 0, 0] },
  { key: 'light-grey', title: 'Light grey', lab: [75, 0, 0] },
  { key: 'white', title: 'White', lab: [95, -0.5, 1.5] },
  { key: 'pink', title: 'Pink', lab: [73, 27, 9] },
  { key: 'red-brown', title: 'Red-brown', lab: [38, 25, 22] },
  { key: 'silver', title: 'Silver', lab: [76, 0, 1] },
] as const satisfies readonly { key: string; title: string; lab: Lab }[];
export type GroundKey = (typeof GROUNDS)[number]['key'];
/** Every ground, and '' for what the brief lays anyhow. */
export const GROUND_KEYS = ['', ...GROUNDS.map(({ key }) => key)] as ['', ...GroundKey[]];
export type Ground = (typeof GROUNDS)[number];
export const groundCalled = (key: GroundKey | ''): Ground | null =>
  GROUNDS.find((ground) => ground.key === key) ?? null;

export interface School {
  ground: GroundKey;
  says: string;
}

/** What benches hold about the ground under a colour: customs, beside what the film computes. */
export function undercoatSchools(lab: Lab, kind: PaintKind): { take: School[]; avoid: School[] } {
  const [L, a, b] = lab;
  const chroma = Math.hypot(a, b);
  if (kind === 'metallic')
    return {
      take: [
        { ground: 'black', says: 'gloss black for a mirror, satin black for service metal' },
        { ground: 'grey', says: 'straight over grey for dull metal' },
      ],
      avoid: [],
    };
  if (kind === 'clear' || kind === 'wash')
    return { take: [{ ground: 'silver', says: 'silver under transparent navigation colours' }], avoid: [] };
  if (b > 35 && b > 1.5 * Math.abs(a))
    return {
      take: [
        { ground: 'white', says: 'white: the brightest yellow' },
        { ground: 'pink', says: 'pink: warm, and hides sooner than white does' },
        { ground: 'red-brown', says: 'red-brown: warm and dense, deeper in tone' },
      ],
      avoid: [{ ground: 'dark-grey', says: 'never dark grey under yellow: it turns green' }],
    };
  if (a > 30)
    return {
      take: [{ ground: 'white', says: 'white under red and insignia' }],
      avoid: [{ ground: 'black', says: 'black deadens red and takes many coats' }],
    };
  if (L > 80 && chroma < 25)
    return {
      take: [
        { ground: 'light-grey', says: 'light grey shows what is not covered yet' },
        ...(b > 8 ? [{ ground: 'pink', says: 'pink or red-brown under cream: warm' } as const] : []),
      ],
      avoid: [{ ground: 'black', says: 'black under white or cream greys it for many coats' }],
    };
  return { take: [{ ground: 'grey', says: 'mid grey: shows flaws, and most colours hide it' }], avoid: [] };
}

/** The ground that a school lays under every colour that hides badly; null where it lays none. */
export function groundOfSchool(
  school: 'as chosen' | 'white' | 'warm',
  lab: Lab | null,
  kind: PaintKind,
): Ground | null {
  if (!lab || school === 'as chosen' || kind !== 'solid') return null;
  const { take } = undercoatSchools(lab, kind);
  const wanted: GroundKey[] = school === 'white' ? ['white', 'light-grey'] : ['pink', 'white'];
  const ground = wanted.find((key) => take.some((one) => one.ground === key));
  // Light grey marks what is nearly white itself, which white hides as well.
  return ground ? groundCalled(ground === 'light-grey' ? 'white' : ground) : null;
}

/** What is laid at once, in coats as builders count them: two crossing passes. Pre-shading and marbling are counted in passes. */
export const COAT_WEIGHTS = [
  { key: 'mist', title: 'mist passes', one: 'mist pass', coats: 0.25 },
  { key: 'pass', title: 'single passes', one: 'pass', coats: 0.5 },
  { key: 'coat', title: 'coats of two passes', one: 'coat', coats: 1 },
] as const;

/** How much of a contrast laid under a film still shows, in words; dE00 between the two places. */
export function contrastInWords(dE00: number): 'plain' | 'a hint' | 'gone' {
  if (dE00 >= 3) return 'plain';
  return dE00 >= 1.2 ? 'a hint' : 'gone';
}

const PRIMER_GREY: Lab = [60, 0, 0];
const BLACK_BASE: Lab = [12, 0, 0];

/** A black base that is marbled: half of it is light by then. */
const MARBLED_BASE: Lab = [46, 0, 0];

/** What a colour goes over where nothing else is laid under it; only an airbrush marbles. */
export function groundOfBrief({ tonal }: { tonal: string }, general: string): Lab {
  if (tonal !== 'black base') return PRIMER_GREY;
  return general === 'airbrush' ? MARBLED_BASE : BLACK_BASE;
}
