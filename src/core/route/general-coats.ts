import type { GeneralWay } from '@/core/kit/applying';
import type { Paint, PaintKind } from '@/core/paint/catalogue';
import type { Chemistry } from '@/core/paint/chemistry';
import { COAT_ROLES, type CoatRole } from '@/core/paint/coat-roles';
import type { OwnDrying } from '@/core/paint/drying';
import type { LayerKind } from '@/core/work/kinds';

export interface CoatFacts {
  id: string;
  title: string;
  what: LayerKind;
  chemistry: Chemistry;
  kind: PaintKind;
  lightness: number;
  dries: OwnDrying;
  /** How it is brought on, where that was chosen for it alone. */
  way?: GeneralWay | null;
}

/** What soot, shadows and the ground of a base are sprayed with. */
const DARK = {
  id: 'dark',
  title: 'Dark brown-black',
  what: 'tone',
  chemistry: 'AL',
  kind: 'solid',
  lightness: 12,
  dries: {},
} as const satisfies CoatFacts;

/**
 * General coats that no colour call names: how each is planned until one is chosen. What lies under the colours is lacquer, which bears all
 * of them; what lies over them is water-based, which attacks none.
 */
export const ASSUMED_COATS = {
  primer: {
    id: 'primer',
    title: 'Grey primer',
    what: 'primer',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 60,
    dries: {},
  },
  paintAsPrimer: {
    id: 'light grey',
    title: 'Light grey',
    what: 'primer',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 75,
    dries: {},
  },
  clear: {
    id: 'clear',
    title: 'Clear',
    what: 'clear',
    chemistry: 'WA',
    kind: 'clear',
    lightness: 100,
    dries: { recoat: 60 },
  },
  matt: {
    id: 'matt clear',
    title: 'Matt clear',
    what: 'clear',
    chemistry: 'WA',
    kind: 'clear',
    lightness: 95,
    dries: { recoat: 60 },
  },
  satin: {
    id: 'satin clear',
    title: 'Satin clear',
    what: 'clear',
    chemistry: 'WA',
    kind: 'clear',
    lightness: 97,
    dries: { recoat: 60 },
  },
  black: {
    id: 'gloss black',
    title: 'Gloss black',
    what: 'undercoat',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 5,
    dries: {},
  },
  frames: {
    id: 'frames inside',
    title: 'Inside colour of the frames',
    what: 'undercoat',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 35,
    dries: {},
  },
  chipping: {
    id: 'chipping fluid',
    title: 'Chipping fluid',
    what: 'clear',
    chemistry: 'WA',
    kind: 'clear',
    lightness: 99,
    dries: {},
  },
  oil: { id: 'oil', title: 'Oils', what: 'oil', chemistry: 'OI', kind: 'wash', lightness: 30, dries: {} },
  dark: DARK,
  // Under the colours, where a product may be chosen for it: until then it is the same filling.
  shade: DARK,
  marble: {
    id: 'marbling',
    title: 'Light grey for the marbling',
    what: 'tone',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 80,
    dries: {},
  },
  fade: {
    id: 'fade',
    title: 'The colour with 5 % white',
    what: 'tone',
    chemistry: 'WA',
    kind: 'solid',
    lightness: 70,
    dries: {},
  },
  wash: { id: 'wash', title: 'Wash in spirit', what: 'wash', chemistry: 'EW', kind: 'wash', lightness: 20, dries: {} },
} as const satisfies Record<string, CoatFacts>;
export type GeneralCoat = keyof typeof ASSUMED_COATS;
export type GeneralCoats = Readonly<Record<GeneralCoat, CoatFacts>>;

/** What was chosen for a coat, as far as a route is made of it. */
export type ChosenCoat = Pick<Paint, 'chemistry' | 'dries'> & {
  role: CoatRole;
  /** Where it is laid; none where it is laid wherever no other is chosen. */
  zones: readonly string[];
  /** The paint by name. */
  label: string;
  /** L* of it; null where nobody measured it. */
  lightness: number | null;
  /** How it is brought on; null as general coats are brought on in this house. */
  way: GeneralWay | null;
};

/** A product that is laid on some zones only, in place of the one that is laid on the rest. */
export interface ZonedCoat {
  zones: readonly string[];
  facts: Readonly<Partial<Record<GeneralCoat, CoatFacts>>>;
}

/** What each product is chosen for. */
const OF_ROLE: Readonly<Record<CoatRole, readonly GeneralCoat[]>> = {
  primer: ['primer', 'paintAsPrimer'],
  shade: ['shade'],
  marbling: ['marble'],
  gloss: ['clear'],
  satin: ['satin'],
  matt: ['matt'],
};

/** For which role a coat's product is chosen; null for what is mixed or taken at the bench. */
export const roleOf = (coat: GeneralCoat): CoatRole | null =>
  COAT_ROLES.find((role) => OF_ROLE[role].includes(coat)) ?? null;

/** The coat that a role is known by. */
export const coatOf = (role: CoatRole): GeneralCoat => OF_ROLE[role][0]!;

/** The general coats of a brief: what was chosen for everywhere, and what is assumed of the rest. */
export function generalCoats(chosen: readonly ChosenCoat[] = []): GeneralCoats {
  const everywhere = chosen.filter(({ zones }) => zones.length === 0).map(factsOf);
  return Object.assign({}, ASSUMED_COATS, ...everywhere) as GeneralCoats;
}

/** What was chosen for some zones only. */
export const zonedCoats = (chosen: readonly ChosenCoat[]): ZonedCoat[] =>
  chosen.flatMap((own) => (own.zones.length > 0 ? [{ zones: own.zones, facts: factsOf(own) }] : []));

/** The coats that one product is laid as. */
const factsOf = ({ role, label, chemistry, dries, lightness, way }: ChosenCoat): ZonedCoat['facts'] =>
  Object.fromEntries(
    OF_ROLE[role].map((coat) => [
      coat,
      {
        ...ASSUMED_COATS[coat],
        // Another product is another filling.
        id: label,
        title: label,
        chemistry,
        dries,
        lightness: lightness ?? ASSUMED_COATS[coat].lightness,
        way,
      },
    ]),
  );

/** Which general coats lie where. */
export interface CoatsByZone {
  coats: GeneralCoats;
  zonedCoats?: readonly ZonedCoat[];
}

/** A coat as it is laid on some of the zones of its step: of one product. */
export interface CoatPart {
  facts: CoatFacts;
  zones: string[];
}

/** A coat on zones by its products: first where the general one is laid, then each that was chosen for some of them. */
export function partsOfCoat(coat: GeneralCoat, zones: readonly string[], on: CoatsByZone): CoatPart[] {
  const own = (on.zonedCoats ?? []).flatMap((zoned): CoatPart[] => {
    const facts = zoned.facts[coat];
    const here = zones.filter((zone) => zoned.zones.includes(zone));
    return facts && here.length > 0 ? [{ facts, zones: here }] : [];
  });
  const named = new Set(own.flatMap((part) => part.zones));
  const rest = zones.filter((zone) => !named.has(zone));
  return rest.length > 0 || own.length === 0 ? [{ facts: on.coats[coat], zones: rest }, ...own] : own;
}

/** What primes some zones: of each chemistry that is there. */
export const primersUnder = (zones: readonly string[], on: CoatsByZone): Chemistry[] => [
  ...new Set(partsOfCoat('primer', zones, on).map(({ facts }) => facts.chemistry)),
];
