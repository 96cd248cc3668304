'use client';

import type { ReactNode } from 'react';
import { windowInWords } from '@/ui/dates';
import type { FieldSpec } from '@/ui/fields';
import type { KitPage } from './page-data';
import { RecordList } from './record-list';

/** Zones that are shown as on another day than the rest, knowingly, with every contradiction that this makes. */
export function DaysPane({ data }: { data: KitPage }): ReactNode {
  const { targetFrom, targetTo } = data.airframe;
  const fields: FieldSpec[] = [
    { name: 'zone', label: 'Zone', type: 'choice', options: data.zones, width: 4 },
    { name: 'fromDay', label: 'Depicts from', type: 'day', optional: true, width: 4 },
    { name: 'toDay', label: 'Depicts to', type: 'day', optional: true, width: 4 },
    { name: 'reason', label: 'Reason', help: 'no picture of this zone from the day itself', width: 12 },
  ];
  return (
    <>
      <p>
        The machine is shown as on{' '}
        <strong>{targetFrom || targetTo ? windowInWords(targetFrom, targetTo) : 'any day'}</strong>. A zone may be shown
        as on another: sources are weighed for it by that day.
      </p>
      <RecordList
        briefId={data.briefId}
        entity="zone_day"
        records={data.zoneDays}
        heads={[{ title: 'Zone' }, { title: 'As on' }, { title: 'Because' }, { title: 'Contradictions' }]}
        nameOf={({ zoneTitle, zone }) => zoneTitle || zone}
        cells={({ fromDay, toDay, reason, contradictions }) => [
          windowInWords(fromDay, toDay),
          reason,
          contradictions.length === 0 ? (
            'none that is known'
          ) : (
            <ul key="list" className="faults">
              {contradictions.map((says) => (
                <li key={says}>{says}</li>
              ))}
            </ul>
          ),
        ]}
        fields={fields}
        blank={{ zone: data.zones[0]?.value ?? '', fromDay: '', toDay: '', reason: '' }}
        add="Give a zone its own day"
        empty={
          <>
            <strong>Every zone is shown as on the same day.</strong> Where the pictures of one zone are of another year,
            say so here rather than mixing them unseen.
          </>
        }
      />
    </>
  );
}
