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

interface KindFacts {
  title: string;
  zones: readonly { key: string; title: string; areaCm2: number }[];
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
      { key: 'upper', title: 'upper surfaces', areaCm2: 12 },
      { key: 'under', title: 'undersides', areaCm2: 10 },
    ],
    build: { does: 'Build', minutes: 40, kind: 'assemble' },
    paintMinutes: 10,
    place: { does: 'Park', minutes: 8 },
    asksPlace: true,
  },
  vehicle: {
    title: 'Vehicle',
    zones: [
      { key: 'body', title: 'body', areaCm2: 30 },
      { key: 'running-gear', title: 'running gear', areaCm2: 10 },
    ],
    build: { does: 'Build', minutes: 120, kind: 'assemble' },
    paintMinutes: 20,
    place: { does: 'Set in place', minutes: 10 },
    asksPlace: true,
  },
  vessel: {
    title: "Vessel's deck",
    zones: [
      { key: 'deck', title: 'deck', areaCm2: 200 },
      { key: 'sides', title: 'sides', areaCm2: 80 },
      { key: 'fittings', title: 'fittings', areaCm2: 20 },
    ],
    build: { does: 'Build', minutes: 240, kind: 'assemble' },
    paintMinutes: 30,
    place: { does: 'Fix down', minutes: 20 },
    asksPlace: false,
  },
  base: {
    title: 'Base',
    zones: [{ key: 'ground', title: 'ground', areaCm2: 150 }],
    build: { does: 'Cut the board and its edge for', minutes: 30, kind: 'assemble' },
    paintMinutes: 25,
    place: { does: 'Fix the model on', minutes: 20 },
    asksPlace: false,
  },
};

/** The name by which the zones and the work of a new subject are known, from its first title: it keeps it when it is called otherwise. */
export const subjectName = (title: string): string =>
  `subject-${title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')}`;
/** A zone of a subject, by the subject's name. */
export const subjectZone = (name: string, zone: string): string => `${name}.${zone}`;
