/** What every write answers: done, refused with reasons by field, or changed elsewhere with what stands there now. */
export type Result<T = null> =
  | { ok: true; value: T }
  | { ok: false; faults: { field: string; says: string }[] }
  | {
      ok: false;
      conflict: { entity: string; id: string; theirs: ({ version: number } & Record<string, unknown>) | null };
    };
