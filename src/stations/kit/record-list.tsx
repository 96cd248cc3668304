'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import { RemoveButton } from '@/stations/shell/remove-button';
import { Opened } from '@/ui/opened';
import { RecordForm, type FieldSpec } from '@/ui/fields';

type Record_ = { id: string; version: number } & Record<string, unknown>;

/** Records of one kind as a table, each opening into its form under the table, and one for something new. */
export function RecordList<R extends Record_>({
  briefId,
  entity,
  records,
  heads,
  cells,
  nameOf,
  fields,
  blank,
  add,
  empty,
}: {
  briefId: string;
  entity: 'kit_measure' | 'tool' | 'subject' | 'zone_day';
  records: readonly R[];
  heads: readonly { title: string; num?: boolean }[];
  /** Cells behind the first, which is the name. */
  cells: (record: R) => readonly ReactNode[];
  nameOf: (record: R) => string;
  fields: readonly FieldSpec[];
  blank: Record<string, unknown>;
  /** "Measure something" */
  add: string;
  empty: ReactNode;
}): ReactNode {
  const [open, setOpen] = useState<string | null>(null);
  const record = records.find(({ id }) => id === open) ?? null;
  const close = () => setOpen(null);
  return (
    <>
      <p className="pane-actions">
        <Button variant="contained" onClick={() => setOpen('new')}>
          {add}
        </Button>
      </p>
      {records.length === 0 && open === null ? <div className="empty">{empty}</div> : null}
      {records.length > 0 ? (
        <div className="scroll-x">
          <table className="plain">
            <thead>
              <tr>
                {heads.map(({ title, num }) => (
                  <th key={title} className={num ? 'num' : undefined}>
                    {title}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {records.map((one) => (
                <tr key={one.id}>
                  <th scope="row">
                    <button
                      type="button"
                      className="row-button"
                      aria-expanded={open === one.id}
                      onClick={() => setOpen(one.id)}
                    >
                      {nameOf(one)}
                    </button>
                  </th>
                  {cells(one).map((cell, i) => (
                    <td key={i} className={heads[i + 1]?.num ? 'num' : undefined}>
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : null}
      {open !== null && (record || open === 'new') ? (
        <Opened key={open} label={record ? nameOf(record) : add} onClose={close}>
          <RecordForm
            key={open}
            fields={fields}
            initial={record ?? blank}
            version={record?.version ?? null}
            saveLabel={record ? 'Save' : 'Keep it'}
            saved="Kept"
            submit={(values, version, act) =>
              save({ act, briefId, station: 'kit', entity, id: record?.id ?? null, version, fields: values })
            }
            onDone={close}
            onCancel={close}
          />
          {record ? (
            <RemoveButton
              briefId={briefId}
              station="kit"
              entity={entity}
              record={record}
              said="Removed; u brings it back"
              lossy
            >
              Remove {nameOf(record)}
            </RemoveButton>
          ) : null}
        </Opened>
      ) : null}
    </>
  );
}
