import { canonicalIn, type CodeBook } from '@/core/codes/system';
import { ASPECTS } from '@/core/evidence/aspects';
import type { BriefState } from '@/core/kept/state';
import { schemeOn } from '@/core/markings/placing';
import type { Outline } from '@/core/outline/outline';
import type { PaintedField } from '@/core/scheme/cells';
import type { Options } from '@/core/kit/options';
import { FINISHES, type Finish } from '@/core/paint/catalogue';
import type { CallView } from './called';
import type { QuestionView } from './questions';

/** What is ruled of a machine, as far as its skin and its structure go. */

/** Zones with a boundary that is ruled soft. */
export const softZones = (questions: readonly QuestionView[]): Set<string> =>
  new Set(
    questions.flatMap(({ record, ruling }) =>
      record.aspect === 'boundary' && ruling?.value === 'soft' ? [record.zone] : [],
    ),
  );

/** The fields of a scheme as they lie on the skin, with their colours as the standards write them. */
export const paintedOn = (
  { fields, markings }: Pick<BriefState, 'fields' | 'markings'>,
  outline: Outline,
  book: CodeBook,
): PaintedField[] =>
  schemeOn(
    outline,
    fields.map((field) => ({ ...field, code: canonicalIn(book, field.code) })),
    markings,
  );

/**
 * The finish that zones end with: as ruled, or left unsealed. Where nothing is ruled and nothing is weathered, that of the code that they wear;
 * what is weathered ends matt.
 */
export function finishesOf(
  questions: readonly QuestionView[],
  calls: readonly CallView[],
  { weathering }: Pick<Options, 'weathering'>,
): Record<string, Finish | 'unsealed'> {
  const of = weathering === 'none' ? calls.filter(({ official }) => official?.record.kind === 'solid') : [];
  return Object.fromEntries([
    ...of.flatMap(({ zones, official }) => zones.map((zone) => [zone, official!.record.finish] as const)),
    ...questions.flatMap(({ record, ruling }) =>
      record.aspect === 'finish' && ruling && isFinish(ruling.value) ? [[record.zone, ruling.value] as const] : [],
    ),
  ]);
}

const isFinish = (value: string): value is Finish | 'unsealed' =>
  value === 'unsealed' || (FINISHES as readonly string[]).includes(value);

/** Rulings about how the machine is built. */
export const structureOf = (questions: readonly QuestionView[]) =>
  questions.flatMap(({ record: { zone, aspect, item }, ruling, open }) =>
    ruling && !open && !ASPECTS[aspect].surface ? [{ zone, aspect, item, value: ruling.value }] : [],
  );
