import { z } from 'zod';

/**
 * A value as its schema of today has it, however an earlier version of the house kept it: what it lacks is as it is where nobody said anything,
 * what nobody knows any more is left out. Only what is made of parts is looked at; where nothing can be made of it, it stays as it is.
 */
export function asKept(schema: z.ZodType, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || isPlainList(value)) return value;
  const read = schema.safeParse(value);
  return read.success ? read.data : mended(schema, value);
}

/** Texts and numbers, as most lists are: nothing in them grows parts. */
const isPlainList = (value: object): boolean =>
  Array.isArray(value) && value.every((item) => typeof item === 'string' || typeof item === 'number');

function mended(schema: z.ZodType, value: object): unknown {
  const inner = unwrapped(schema);
  if (inner instanceof z.ZodObject && !Array.isArray(value)) {
    const parts = Object.fromEntries(
      Object.entries(inner.shape as Record<string, z.ZodType>).map(([field, own]) => [
        field,
        partAsKept(own, (value as Record<string, unknown>)[field]),
      ]),
    );
    const read = schema.safeParse(parts);
    if (read.success) return read.data;
  }
  if (inner instanceof z.ZodArray && Array.isArray(value)) {
    const own = inner.element as z.ZodType;
    const read = schema.safeParse(value.map((item) => asKept(own, item)).filter((item) => own.safeParse(item).success));
    if (read.success) return read.data;
  }
  return withoutIt(schema) ?? value;
}

function partAsKept(schema: z.ZodType, value: unknown): unknown {
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  return typeof value === 'object' && value !== null ? mended(schema, value) : withoutIt(schema);
}

/** What stands where nothing was said; undefined where something has to be. */
function withoutIt(schema: z.ZodType): unknown {
  for (const nothing of [undefined, null]) {
    const read = schema.safeParse(nothing);
    if (read.success) return read.data;
  }
  return undefined;
}

/** What a schema asks for where something is given, whatever it takes where nothing is. */
export function unwrapped(schema: z.ZodType): z.ZodType {
  let inner = schema;
  while (inner instanceof z.ZodDefault || inner instanceof z.ZodNullable || inner instanceof z.ZodOptional)
    inner = inner.unwrap() as z.ZodType;
  return inner;
}
