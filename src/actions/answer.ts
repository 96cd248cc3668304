import { z } from 'zod';
import { stampSchema, type ActAnswer } from '@/core/kept/act';
import type { Result } from '@/core/interchange/result';
import { CannotBeDone, ChangedElsewhere, Contradicts } from '@/data/acts';

/** What every act at a brief comes with. */
export const ofBrief = z.object({ briefId: z.uuid(), act: stampSchema });
export const versioned = z.object({ id: z.uuid(), version: z.number().int() });

/** Runs an act; whatever it throws becomes an answer. Whoever did it asks what changed of the page. */
export async function answered<T>(work: () => Promise<ActAnswer<T>>): Promise<Result<T>> {
  const result = await lookedUp(work);
  if (!result.ok) return result;
  return { ok: true, ...result.value };
}

/** Runs the work of an action that only looks something up. */
export async function lookedUp<T>(work: () => Promise<T>): Promise<Result<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    if (error instanceof z.ZodError)
      return { ok: false, faults: error.issues.map((issue) => ({ field: issue.path.join('.'), says: issue.message })) };
    if (error instanceof Refused)
      return {
        ok: false,
        faults: [{ field: error.field, says: error.message, ...(error.offers ? { offers: error.offers } : {}) }],
      };
    if (error instanceof Contradicts) return { ok: false, faults: [{ field: error.field, says: error.message }] };
    if (error instanceof CannotBeDone) return { ok: false, faults: [{ field: '', says: error.message }] };
    if (error instanceof ChangedElsewhere)
      return { ok: false, conflict: { entity: error.entity, id: error.rowId, theirs: error.theirs } };
    const refused = constraintInWords(error);
    if (refused) return { ok: false, faults: [{ field: '', says: refused }] };
    console.error(error);
    return { ok: false, faults: [{ field: '', says: 'The server could not do it; nothing was changed. Try again.' }] };
  }
}

/** Something the reader has to change; `field` is where, `offers` what would be taken. */
export class Refused extends Error {
  constructor(
    readonly field: string,
    says: string,
    readonly offers?: readonly string[],
  ) {
    super(says);
  }
}

/** Constraints of the database that a reader can run into, in words. */
function constraintInWords(error: unknown): string | null {
  const { code, detail } = error as { code?: string; detail?: string };
  if (code === '23505') return 'This is there already.';
  if (code === '23503')
    return detail?.includes('still referenced')
      ? 'Something else still refers to it (a source that is dated by it, say): change that first.'
      : 'What it refers to is gone.';
  return null;
}
