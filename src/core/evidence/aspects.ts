/**
 * What can be asked about a zone, with the type of its answers: `code` = an official colour code (canonicalised), `length` = mm on
 * the real machine with an uncertainty, `choice` = one of the listed answers, `coats` = codes bottom up with `>` between them, or words,
 * `text` = anything.
 * `surface` = a repaint of the zone makes earlier sightings of it worthless; structure survives paint.
 */
interface AspectDefinition {
  title: string;
  type: 'code' | 'length' | 'choice' | 'coats' | 'text';
  surface: boolean;
  choices?: readonly string[];
}

const define = <const T extends Record<string, AspectDefinition>>(aspects: T) => aspects;

export const ASPECTS = define({
  colour: { title: 'Colour', type: 'code', surface: true },
  finish: { title: 'Finish', type: 'choice', surface: true, choices: ['gloss', 'satin', 'matt', 'unsealed'] },
  boundary: { title: 'Colour boundary', type: 'choice', surface: true, choices: ['hard', 'soft'] },
  boundaryWidth: { title: 'Boundary, soft width', type: 'length', surface: true },
  boundaryPlace: { title: 'Boundary, position', type: 'length', surface: true },
  /** Asked of a side when a pattern is known of the other. */
  pattern: {
    title: 'Pattern of this side',
    type: 'choice',
    surface: true,
    choices: ['as in a mirror', 'its own', 'none'],
  },
  marking: { title: 'Marking', type: 'text', surface: true },
  size: { title: 'Marking, size', type: 'length', surface: true },
  markingPlace: { title: 'Marking, place', type: 'length', surface: true },
  style: { title: 'Marking, style', type: 'text', surface: true },
  gearCover: { title: 'Gear cover', type: 'choice', surface: false, choices: ['full', 'half', 'spoked', 'none'] },
  aerial: { title: 'Aerial', type: 'choice', surface: false, choices: ['mast', 'whip', 'wire', 'blade', 'none'] },
  hook: { title: 'Tail hook', type: 'choice', surface: false, choices: ['up', 'down', 'none'] },
  door: { title: 'Door', type: 'choice', surface: false, choices: ['closed', 'open', 'removed'] },
  fit: { title: 'Other fit and equipment', type: 'text', surface: false },
  seam: { title: 'Seam or panel line', type: 'choice', surface: false, choices: ['real', 'real in part', 'not real'] },
  wear: { title: 'Wear and stains', type: 'text', surface: true },
  layers: { title: 'Layer order', type: 'coats', surface: true },
});

export type Aspect = keyof typeof ASPECTS;
export const ASPECT_NAMES = Object.keys(ASPECTS) as [Aspect, ...Aspect[]];
/** Aspects that markings decide. */
export const MARKING_ASPECTS: ReadonlySet<Aspect> = new Set(['marking', 'size', 'markingPlace', 'style']);
/** Aspects that are answered by an official code. */
export const CODE_ASPECTS = ASPECT_NAMES.filter((name) => ASPECTS[name].type === 'code');
export const aspectOf = (name: Aspect): AspectDefinition => ASPECTS[name];

/** "Rear fuselage, port" and "Marking, size" and "band" as a heading: the aspect with what it is about. */
export const aspectTitle = (aspect: Aspect, item: string): string =>
  item ? `${ASPECTS[aspect].title}: ${item}` : ASPECTS[aspect].title;
