import { save } from '@/actions/records';
import type { Stamp } from '@/core/kept/act';
import type { Result } from '@/core/interchange/result';
import type { Written } from '@/outbox/queued';
import { useOutbox } from './outbox';

const ENTITY = { 'other work': 'log_entry', 'test piece': 'spray_out' } as const;

type New<W = Written> = W extends Written ? Pick<W, 'kind' | 'fields' | 'pictureId'> : never;

/**
 * Writes something new down: at the server, which says what is wrong with it; while that is away, or with a picture that it has not taken yet,
 * on this device, from where it goes there once.
 */
export function useWritten(briefId: string) {
  const { keep } = useOutbox();
  return async (written: New, act: Stamp, unsent: Blob | null): Promise<Result<unknown>> => {
    const { kind, fields, pictureId } = written;
    try {
      if (!unsent)
        return await save({
          act,
          briefId,
          station: 'log',
          entity: ENTITY[kind],
          id: null,
          version: null,
          fields: { ...fields, pictureId },
        });
    } catch {
      // The same act goes on from here: where only the answer was lost, it is done already.
    }
    // What the server would refuse is said now, while the words are still in the form. Its checks are loaded for that alone.
    const { benchActSchema } = await import('@/outbox/queued');
    const checked = benchActSchema.safeParse({ ...written, briefId, act });
    if (!checked.success)
      return {
        ok: false,
        faults: checked.error.issues.map(({ path, message }) => ({ field: String(path[1] ?? ''), says: message })),
      };
    await keep(checked.data, unsent);
    return { ok: true, value: null };
  };
}
