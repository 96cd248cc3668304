'use client';

import type { ReactNode } from 'react';
import { MEASURED } from '@/core/kit/measuring';
import { DIMENSION_NAMES, DIMENSIONS } from '@/core/outline/dimensions';
import { Explained } from '@/ui/explained';
import type { FieldSpec } from '@/ui/fields';
import type { KitPage } from './page-data';
import { RecordList } from './record-list';
import { useShown } from '@/ui/shown-units';

const OF_TITLES: Record<(typeof MEASURED)[number], string> = {
  part: 'a kit part',
  assembly: 'a joined assembly',
  drawing: 'a drawing of unknown scale',
};

/** The kit against the real machine: by how much each size is off, and what that means. */
export function MeasuredPane({ data }: { data: KitPage }): ReactNode {
  const shown = useShown();
  const fields: FieldSpec[] = [
    { name: 'title', label: 'What is measured', width: 4 },
    {
      name: 'of',
      label: 'On',
      type: 'choice',
      options: MEASURED.map((value) => ({ value, label: OF_TITLES[value] })),
      width: 4,
    },
    {
      name: 'zone',
      label: 'Zone',
      type: 'choice',
      options: [{ value: '', label: 'not said' }, ...data.zones],
      width: 4,
    },
    {
      name: 'dimension',
      label: 'Dimension of the outline',
      type: 'choice',
      options: [
        { value: '', label: 'none of them' },
        ...DIMENSION_NAMES.flatMap((value) =>
          DIMENSIONS[value].unit === 'm' ? [{ value, label: DIMENSIONS[value].title.toLowerCase() }] : [],
        ),
      ],
      width: 4,
    },
    { name: 'trueMm', label: 'True size of the real machine', unit: 'mm', type: 'number', width: 4 },
    { name: 'measuredMm', label: 'Measured (of a pair the left)', unit: 'mm', type: 'number', width: 4 },
    { name: 'otherMm', label: 'The right one', unit: 'mm', type: 'number', optional: true, width: 4 },
    { name: 'note', label: 'Note', width: 12 },
  ];
  return (
    <RecordList
      briefId={data.briefId}
      entity="kit_measure"
      records={data.measures}
      heads={[
        { title: 'Measured' },
        { title: 'On' },
        { title: 'Should be', num: true },
        { title: 'Is', num: true },
        { title: 'Off by', num: true },
        { title: 'What it means' },
      ]}
      nameOf={({ title }) => title}
      cells={({ of, measuredMm, otherMm, trueMm, compared }) => [
        OF_TITLES[of],
        <Explained key="should" says={shown(`${trueMm} mm ÷ ${data.brief.denominator}`)}>
          {shown(`${compared.shouldMm.toFixed(2)} mm`)}
        </Explained>,
        shown(otherMm === null ? `${measuredMm} mm` : `${measuredMm} mm / ${otherMm} mm`),
        compared.drawing
          ? '–'
          : shown(`${compared.errorMm >= 0 ? '+' : '−'} ${Math.abs(compared.errorMm).toFixed(2)} mm`) +
            `, ${compared.errorPercent >= 0 ? '+' : '−'}${Math.abs(compared.errorPercent).toFixed(1)} %`,
        <span key="says" className="verdict">
          {compared.says}
        </span>,
      ]}
      fields={fields}
      blank={{ title: '', of: 'part', zone: '', dimension: '', trueMm: '', measuredMm: '', otherMm: '', note: '' }}
      add="Measure something"
      empty={
        <>
          <strong>Nothing is measured yet.</strong> Measure the span, the cowling or a drawing with a rule, give the
          true size, and read what is off and whether it matters.
        </>
      }
    />
  );
}
