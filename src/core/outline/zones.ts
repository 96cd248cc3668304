export type Side = 'port' | 'starboard' | 'both';
export type ZoneGroup =
  | 'fuselage'
  | 'wings'
  | 'tail'
  | 'glazing'
  | 'engines'
  | 'propeller'
  | 'gear'
  | 'struts'
  | 'bays'
  | 'interior'
  | 'rotor'
  | 'stores'
  | 'subject';

/** Groups that lie inside: closed in, or looked into through an opening. */
export const INSIDE: ReadonlySet<ZoneGroup> = new Set(['interior', 'bays']);
/** Groups that are painted apart and fitted late. */
export const APART: ReadonlySet<ZoneGroup> = new Set([
  'gear',
  'struts',
  'propeller',
  'rotor',
  'stores',
  'glazing',
  'subject',
]);

/** Where general coats lie: on the airframe, in the cockpit and cabin, in the bays, on what is painted on sticks. */
export const COVERS = ['outside', 'inside', 'bays', 'apart'] as const;
export type Cover = (typeof COVERS)[number];

/** Which of the general coats lie on the zones of a group; null for what stands beside the machine. Closed glass is painted with the airframe. */
export function coveredWith(group: ZoneGroup, openCanopy = false): Cover | null {
  if (group === 'subject') return null;
  if (group === 'interior') return 'inside';
  if (group === 'bays') return 'bays';
  if (group === 'glazing') return openCanopy ? 'apart' : 'outside';
  return APART.has(group) ? 'apart' : 'outside';
}

/** What a machine is skinned with, by what the rules treat alike. */
export const SURFACES = ['metal', 'fabric', 'wood'] as const;
export type Surface = (typeof SURFACES)[number];

/** The parts of a machine whose skin can be otherwise than that of the rest; '' as the layout has it. */
export type Surfaces = Record<'fuselage' | 'wings' | 'tail', '' | Surface>;

export type Faces = 'up' | 'down' | 'port' | 'starboard' | 'inside';

/** A named region of the outline. */
export interface Zone {
  key: string;
  title: string;
  side: Side;
  group: ZoneGroup;
  /** Where its skin looks; 'inside' for rooms, null for what looks everywhere. */
  faces: Faces | null;
  /** Along a body, and along a wing, where it is one of several. */
  station: 'front' | 'middle' | 'rear' | null;
  span: 'inner' | 'outer' | null;
  /** Sealed inside when the fuselage or the wings close; null for what stays in reach. */
  closedBy: 'fuselage' | 'wings' | null;
  /** Painted area on the real machine, both faces where both show; 0 where the outline does not know. */
  areaM2: number;
  /** Of the skin; null for what is no skin: glass, legs, rooms. */
  surface: Surface | null;
  /** Of what is modelled beside the machine: whose zone it is, and which. */
  subject?: { name: string; part: string };
  /** A room that no glass and no roof closes. */
  isOpen?: true;
}

/** What is known of the zones of a skin by what they are, beside their side: told once, here. */
const LIES: Readonly<Record<string, Partial<Pick<Zone, 'faces' | 'station' | 'span'>>>> = {
  'fuselage-lower': { faces: 'down' },
  cowling: { station: 'front' },
  'fuselage-forward': { station: 'front' },
  'fuselage-mid': { station: 'middle' },
  'fuselage-rear': { station: 'rear' },
  boom: { station: 'rear' },
  'wing-upper': { faces: 'up' },
  'wing-upper-inner': { faces: 'up', span: 'inner' },
  'wing-upper-outer': { faces: 'up', span: 'outer' },
  'wing-lower': { faces: 'down' },
  'upper-wing-upper': { faces: 'up' },
  'upper-wing-lower': { faces: 'down' },
  'tailplane-upper': { faces: 'up' },
  'tailplane-lower': { faces: 'down' },
  'hull-lower': { faces: 'down' },
  deck: { faces: 'up' },
  'island-top': { faces: 'up' },
  ground: { faces: 'up' },
};

const usualFaces = (group: ZoneGroup, side: Side): Faces | null =>
  INSIDE.has(group) ? 'inside' : side === 'both' || APART.has(group) ? null : side;

/** A zone that stays in reach, whose area its surfaces give. */
export const zoneOf = (key: string, title: string, group: ZoneGroup, side: Side = 'both'): Zone => ({
  key,
  title,
  side,
  group,
  faces: usualFaces(group, side),
  station: null,
  span: null,
  ...LIES[withoutSide(key) ?? key],
  closedBy: null,
  areaM2: 0,
  surface: null,
});

export const VIEWS = ['port', 'starboard', 'upper', 'lower'] as const;
export type View = (typeof VIEWS)[number];

export const sided = (key: string, side: 'port' | 'starboard') => `${key}-${side}`;

const SIDE = /-(port|starboard)$/;
/** The side that a zone lies on; null for one that has no other side. */
export const sideOf = (zone: string): 'port' | 'starboard' | null =>
  (SIDE.exec(zone)?.[1] as 'port' | 'starboard' | undefined) ?? null;
/** The zone without its side; null for one that has no other side. */
export const withoutSide = (zone: string): string | null => (SIDE.test(zone) ? zone.replace(SIDE, '') : null);
/** A view from the side, whose offsets are heights. */
export const isSide = (view: View): boolean => view === 'port' || view === 'starboard';
export const otherSide = (zone: string): string | null => {
  const side = sideOf(zone);
  return side ? zone.replace(SIDE, side === 'port' ? '-starboard' : '-port') : null;
};
