/** What is modelled beside the main airframe, in the same brief: each kind with its zones, its work and its days of drying, as data. */

export const SUBJECT_KINDS = ['figure', 'aircraft', 'vehicle', 'vessel', 'base'] as const;
export type SubjectKind = (typeof SUBJECT_KINDS)[number];
/** By when it has to be in place. */
export const IN_PLACE_BY = ['fuselage', 'end'] as const;

export const BASE_LAYERS = ['foam', 'ground', 'water', 'planks', 'grass'] as const;
export type BaseLayer = (typeof BASE_LAYERS)[number];

interface LayerFacts {
  does: string;
  /** What is poured or glued over paint: it comes when that is dry. */
  overPaint: boolean;
  minutes: number;
  /** Until the next may come, days. */
  days: number;
  why: string;
}
export const BASE_LAYER_WORK: Record<BaseLayer, LayerFacts> = {
  foam: {
    overPaint: false,
    does: 'Cut the foam and shape it',
    minutes: 40,
    days: 1,
    why: 'its glue takes a day under a weight',
  },
  ground: {
    overPaint: false,
    does: 'Lay the groundwork',
    minutes: 45,
    days: 1,
    why: 'groundwork shrinks while it dries: a day',
  },
  water: {
    overPaint: true,
    does: 'Pour one layer of water',
    minutes: 20,
    days: 1,
    why: 'thin layers, a day each: a thick one stays cloudy',
  },
  planks: { overPaint: false, does: 'Lay the planks', minutes: 60, days: 1, why: 'wood glue takes a night' },
  grass: { overPaint: true, does: 'Lay grass and scrub', minutes: 30, days: 1, why: 'its glue dries clear over night' },
};

interface Box {
  length: number;
  breadth: number;
  height: number;
}

interface KindFacts {
  title: string;
  /** Of each its skin on the model where nobody measured it, and as a box of its length, breadth and height has it, m2 in reality. */
  zones: readonly { key: string; title: string; areaCm2: number; ofBox?: (box: Box) => number }[];
  build: { does: string; minutes: number; kind: 'assemble' | 'clean' };
  paintMinutes: number;
  place: { does: string; minutes: number };
  /** What has to be said of it. */
  asksPlace: boolean;
}

export const SUBJECTS: Record<SubjectKind, KindFacts> = {
  figure: {
    title: 'Figure',
    zones: [
      { key: 'clothes', title: 'clothes', areaCm2: 4 },
      { key: 'equipment', title: 'equipment', areaCm2: 1 },
    ],
    build: { does: 'Clean and pose', minutes: 15, kind: 'clean' },
    paintMinutes: 25,
    place: { does: 'Set in place', minutes: 10 },
    asksPlace: true,
  },
  aircraft: {
    title: 'Aircraft of a deck load',
    zones: [
      // Wings and body are about so much of their box as seen from above.
      { key: 'upper', title: 'upper surfaces', areaCm2: 12, ofBox: ({ length, breadth }) => 0.36 * length * breadth },
      { key: 'under', title: 'undersides', areaCm2: 10, ofBox: ({ length, breadth }) => 0.3 * length * breadth },
    ],
    build: { does: 'Build', minutes: 40, kind: 'assemble' },
    paintMinutes: 10,
    place: { does: 'Park', minutes: 8 },
    asksPlace: true,
  },
  vehicle: {
    title: 'Vehicle',
    zones: [
      {
        key: 'body',
        title: 'body',
        areaCm2: 30,
        ofBox: ({ length, breadth, height }) => length * breadth + 1.4 * (length + breadth) * height,
      },
      { key: 'running-gear', title: 'running gear', areaCm2: 10, ofBox: ({ length, height }) => 0.8 * length * height },
    ],
    build: { does: 'Build', minutes: 120, kind: 'assemble' },
    paintMinutes: 20,
    place: { does: 'Set in place', minutes: 10 },
    asksPlace: true,
  },
  vessel: {
    title: "Vessel's deck",
    zones: [
      { key: 'deck', title: 'deck', areaCm2: 200, ofBox: ({ length, breadth }) => 0.85 * length * breadth },
      {
        key: 'sides',
        title: 'sides',
        areaCm2: 80,
        ofBox: ({ length, breadth, height }) => 2 * (length + breadth) * height,
      },
      { key: 'fittings', title: 'fittings', areaCm2: 20, ofBox: ({ length, breadth }) => 0.15 * length * breadth },
    ],
    build: { does: 'Build', minutes: 240, kind: 'assemble' },
    paintMinutes: 30,
    place: { does: 'Fix down', minutes: 20 },
    asksPlace: false,
  },
  base: {
    title: 'Base',
    zones: [{ key: 'ground', title: 'ground', areaCm2: 150, ofBox: ({ length, breadth }) => length * breadth }],
    build: { does: 'Cut the board and its edge for', minutes: 30, kind: 'assemble' },
    paintMinutes: 25,
    place: { does: 'Fix the model on', minutes: 20 },
    asksPlace: false,
  },
};

/** What a subject may say of its size, m; 0 where nobody measured it. */
export interface SubjectSize {
  lengthM?: number;
  breadthM?: number;
  heightM?: number;
}

/** Skin of one of its zones on the real thing, m2: by its size where all that asks for is known, else as it usually is on the model. */
export function zoneAreaM2(
  kind: SubjectKind,
  zone: string,
  { lengthM = 0, breadthM = 0, heightM = 0 }: SubjectSize,
  denominator: number,
): number {
  const { areaCm2, ofBox } = SUBJECTS[kind].zones.find(({ key }) => key === zone)!;
  const measured = ofBox?.({ length: lengthM, breadth: breadthM, height: heightM }) ?? 0;
  return measured > 0 && lengthM > 0 && breadthM > 0 ? measured : (areaCm2 * denominator ** 2) / 10_000;
}

/** The name by which the zones and the work of a new subject are known, from its first title: it keeps it when it is called otherwise. */
export const subjectName = (title: string): string =>
  `subject-${title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')}`;
/** A zone of a subject, by the subject's name. */
export const subjectZone = (name: string, zone: string): string => `${name}.${zone}`;
