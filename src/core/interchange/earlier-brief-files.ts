import { z } from 'zod';
import { subjectName } from '@/core/kit/subjects';
import { LAYER_KINDS, type LayerKind } from '@/core/work/kinds';
import { laidThen } from './former-steps';
import { optionsSchema } from '@/core/kit/option-fields';
import { machineOf } from '@/core/outline/presets';
import { airframeFields } from '@/core/kept/records/airframe';

/** What earlier versions of `build-brief` said otherwise, and how each is brought up to the next. */

type Raw = Record<string, unknown>;

/** Changes the records of a list; what is no list, or no record, stays as it is. */
const each = (list: unknown, change: (item: object, i: number) => unknown): unknown =>
  Array.isArray(list) ? list.map((item, i) => (typeof item === 'object' && item ? change(item, i) : item)) : list;

/** By the version that a file has: the same as the next one has it. Anything odd is left for the schema to name. */
const NEXT: Readonly<Record<string, (file: Raw) => Raw>> = {
  /** Had repaints only, and knew nothing of film, places and marks in pictures. */
  'build-brief/1': (file) => {
    const eachWith = (list: unknown, added: (i: number) => object) =>
      each(list, (item, i) => ({ ...added(i), ...item }));
    const { repaints, airframe, brief, ...rest } = file;
    return {
      ...rest,
      format: 'build-brief/2',
      brief: typeof brief === 'object' && brief ? { weights: { kind: {}, clarity: {} }, ...brief } : brief,
      airframe: typeof airframe === 'object' && airframe ? { lostOn: null, ...airframe } : airframe,
      sources: eachWith(file.sources, () => ({
        page: '',
        place: '',
        film: 'unknown',
        zones: [],
        afterEventId: null,
        beforeEventId: null,
        calibration: null,
      })),
      questions: eachWith(file.questions, () => ({ item: '' })),
      sightings: eachWith(file.sightings, () => ({ marks: null })),
      events: eachWith(repaints, (i) => ({ ref: `e${i + 1}`, kind: 'repaint', value: '', showsUnder: false })),
      mirrors: [],
    };
  },
  /** Knew no recipes, no logged use, and nothing of how standards write their codes. */
  'build-brief/2': (file) => ({ ...file, format: 'build-brief/3', recipes: [], uses: [], systems: [], relations: [] }),
  /** Knew three classes of opacity, and called a solid colour of poor hiding transparent. */
  'build-brief/3': (file) => {
    const renamed = (paint: unknown) => {
      const { opacity, kind } = paint as Record<string, unknown>;
      return opacity === 'transparent' && kind === 'solid' ? { ...(paint as object), opacity: 'weak' } : paint;
    };
    return {
      ...file,
      format: 'build-brief/4',
      lines: each(file.lines, (line) => ({ ...line, paints: each((line as { paints?: unknown }).paints, renamed) })),
    };
  },
  /** Held options that cannot be, and stood rotorcraft on wheels that they do not have: they are put right. */
  'build-brief/4': (file) => ({ ...withSoundOptions(file), format: 'build-brief/5' }),
  /** Did not say what was let go on its way out. */
  'build-brief/5': (file) => ({ ...file, format: 'build-brief/6', repaired: [] }),
  /** Had no name of a brief's own. */
  'build-brief/6': (file) => ({ ...file, format: 'build-brief/7' }),
  /** Did not say how a crew sits, and what a machine is skinned with. */
  'build-brief/7': (file) => ({ ...file, format: 'build-brief/8' }),
  /** Did not say what the sources favoured when something was ruled. */
  'build-brief/8': (file) => ({ ...file, format: 'build-brief/9' }),
  /** Entries of the log did not say what they laid, and subjects had no name of their own. */
  'build-brief/9': (file) => ({
    ...file,
    format: 'build-brief/10',
    log: each(file.log, (entry) => ({ what: laidBy(entry as Raw, file), ...entry })),
    markings: each(file.markings, (marking) => ({ name: (marking as Raw).title, ...marking })),
    subjects: each(file.subjects, (subject) => {
      const { title } = subject as Raw;
      return { ...(typeof title === 'string' ? { name: subjectName(title) } : {}), ...subject };
    }),
  }),
  /** Did not say of which products primer and clears were. */
  'build-brief/10': (file) => ({ ...file, format: 'build-brief/11', coats: [] }),
  /** Had one product for each coat, wherever it was laid. */
  'build-brief/11': (file) => ({ ...file, format: 'build-brief/12' }),
  /** Had no stripes along a body, no pieces of a marking, and nothing of printing at home; a part replaced one at the most. */
  'build-brief/12': (file) => ({
    ...file,
    format: 'build-brief/13',
    parts: each(file.parts, (part) => {
      const { replaces } = part as Raw;
      return { ...part, replaces: typeof replaces === 'string' ? [replaces] : [] };
    }),
  }),
  /** Had one school for all zones, one dark under all colours, and blotches that were sprayed freehand. */
  'build-brief/13': (file) => ({ ...file, format: 'build-brief/14' }),
  /** Laid no machine over a picture. */
  'build-brief/14': (file) => ({ ...file, format: 'build-brief/15' }),
};

/** What an entry laid: by its step's name of then, or as the run says whose work it is. */
function laidBy({ stepKey, stepKind }: Raw, file: Raw): LayerKind | '' {
  if (typeof stepKey !== 'string') return '';
  const what = laidThen(stepKey, typeof stepKind === 'string' ? stepKind : '');
  return what ?? runsIn(file).find(({ key }) => key === stepKey)?.what ?? '';
}

const worked = z.object({
  run: z.object({
    steps: z.array(z.object({ key: z.string(), lays: z.object({ what: z.enum(LAYER_KINDS) }).nullable() })),
  }),
});
/** The steps of all runs of a file, with what they lay. */
const runsIn = (file: Raw) =>
  [file.mishaps, file.runs].flatMap((list) =>
    (Array.isArray(list) ? list : []).flatMap((one) => {
      const read = worked.safeParse(one);
      return read.success
        ? read.data.run.steps.map(({ key, lays }) => ({ key, what: lays?.what ?? ('' as const) }))
        : [];
    }),
  );

/** A file of any version as the newest has it; what is no file stays as it is. */
export function broughtUp(raw: unknown): unknown {
  if (typeof raw !== 'object' || raw === null) return raw;
  let file = raw as Raw;
  for (let next = stepOf(file); next; next = stepOf(file)) file = next(file);
  return file;
}

const stepOf = ({ format }: Raw) =>
  typeof format === 'string' && Object.hasOwn(NEXT, format) ? NEXT[format] : undefined;

const briefOfFourth = z.object({
  brief: z.object({ options: optionsSchema }),
  airframe: z.object({ preset: airframeFields.shape.preset }),
});

function withSoundOptions(file: Raw): Raw {
  const brief = briefOfFourth.safeParse(file);
  if (!brief.success) return file;
  const { options } = brief.data.brief;
  const machine = machineOf(brief.data.airframe);
  if (brief.data.airframe.preset === 'rotorcraft' && options.landing === 'wheels') options.landing = 'skids';
  if (options.gear === 'up' && (machine.gear === 'fixed' || options.landing !== 'wheels')) options.gear = 'down';
  if (options.gear === 'up' && options.stand === 'its gear') options.stand = 'a rod';
  return { ...file, brief: { ...(file.brief as object), options } };
}
