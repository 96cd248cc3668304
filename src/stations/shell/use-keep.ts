import { save } from '@/actions/records';
import type { Result } from '@/core/interchange/result';
import type { ActStation } from '@/core/kept/act';
import type { Fields, RecordName } from '@/core/kept/records';
import { useSaving } from '@/ui/saving';

/** Keeps some fields of a record as one act of a station; a record of null is a new one. `said` is told when it is kept. */
export function useKeep(briefId: string, station: ActStation) {
  const { run, busy, versionOf } = useSaving();
  const keep = <N extends RecordName>(
    entity: N,
    record: { id: string; version: number } | null,
    fields: Partial<Fields<N>>,
    said?: string,
  ): Promise<Result<{ id: string; version: number }>> =>
    run(
      (act) =>
        save({
          act,
          briefId,
          station,
          entity,
          id: record?.id ?? null,
          version: record && versionOf(record.id, record.version),
          fields,
        }),
      said,
    );
  return { keep, busy };
}
