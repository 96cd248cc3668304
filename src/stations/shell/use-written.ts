import { save } from '@/actions/records';
import type { Stamp } from '@/core/kept/act';
import type { Fault, Result } from '@/core/interchange/result';
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
    const whole: Written = { ...written, briefId, act };
    const faults = await faultsOf(whole);
    if (faults.length > 0) return { ok: false, faults };
    await keep(whole, unsent);
    return { ok: true, value: null };
  };
}

/**
 * What the server would refuse, said while the words are still in the form. These checks are loaded for that alone; where even they are out of
 * reach, the server says it later.
 */
async function faultsOf(written: Written): Promise<Fault[]> {
  const checks = await import('@/outbox/queued').catch(() => null);
  const { error } = checks?.benchActSchema.safeParse(written) ?? {};
  return (error?.issues ?? []).map(({ path, message }) => ({ field: String(path[1] ?? ''), says: message }));
}
