import { z } from 'zod';
import { FIRST_YEAR, isDay, isOfOurTime, LAST_YEAR } from '@/core/units/day';
import { inOneLine, isPlainText } from '@/core/units/text';

/** What the fields of records are made of: each is checked with a sentence that names it. */

const text = (title: string) =>
  z.string({ error: `${title}: text is needed` }).refine(isPlainText, `${title}: it holds signs that are no text`);

/** One line: where it goes on over several, it is written in one. Whoever prints a name prints no line of its own with it. */
export const line = (title: string, most = 120) =>
  text(title).overwrite(inOneLine).trim().max(most, `${title}: at most ${most} signs`);
export const needed = (title: string, most = 120) => line(title, most).min(1, `${title} is needed`);

/** What may go over several lines: notes and reasons. */
export const prose = (title: string, most: number) => text(title).trim().max(most, `${title}: at most ${most} signs`);
export const neededProse = (title: string, most: number) => prose(title, most).min(1, `${title} is needed`);
export const number = (title: string) => z.number({ error: `${title}: a number is needed` });
export const day = (title: string) =>
  z
    .string()
    .refine((text) => isDay(text), { error: `${title}: a day that exists is needed`, abort: true })
    .refine(isOfOurTime, `${title}: a day from ${FIRST_YEAR} to ${LAST_YEAR} is needed`);
export const optionalDay = (title: string) => day(title).nullable();
export const id = z.uuid('a reference is needed');
export const choice = <const T extends readonly [string, ...string[]]>(title: string, values: T) =>
  z.enum(values as unknown as [T[number], ...T[number][]], { error: `${title}: choose one of ${values.join(', ')}` });
const labNumber = (axis: string, least: number, most: number) =>
  number(axis)
    .min(least, `${axis} must lie between ${least} and ${most}`)
    .max(most, `${axis} must lie between ${least} and ${most}`);
export const labFields = z.tuple([labNumber('L*', 0, 100), labNumber('a*', -128, 128), labNumber('b*', -128, 128)]);

/** A window whose end is before its start is refused at its end. */
export function inOrder<T extends z.ZodObject>(schema: T, from: string, to: string, says: string) {
  return schema.superRefine((value, context) => {
    const [first, last] = [value[from] as string | null, value[to] as string | null];
    if (first && last && last < first) context.addIssue({ code: 'custom', path: [to], message: says });
  });
}

/** A moment as ISO text with its offset, in a year that a build may lie in; kept in universal time. */
export const instant = (title: string) =>
  z.iso
    .datetime({ offset: true, error: `${title}: a time is needed` })
    .refine(isOfOurTime, `${title}: a time from ${FIRST_YEAR} to ${LAST_YEAR} is needed`)
    .transform((text) => new Date(text).toISOString());
