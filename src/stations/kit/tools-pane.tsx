'use client';

import type { ReactNode } from 'react';
import Link from 'next/link';
import { KEPT_KINDS, TOOL_KINDS, toolTitle, TYPICAL_TOOL } from '@/core/kit/tools';
import { listed } from '@/core/units/words';
import { optionsOf, type FieldSpec } from '@/ui/fields';
import type { KitPage } from './page-data';
import { UnitsChoice } from '@/stations/start/units-choice';
import { useMeasures } from '@/ui/shown-units';
import { RecordList } from './record-list';

const FIELDS: FieldSpec[] = [
  { name: 'kind', label: 'Kind', type: 'choice', options: optionsOf(TOOL_KINDS), width: 3 },
  { name: 'name', label: 'Name', help: 'empty: called by its kind', width: 5 },
  // Needles are sold by the millimetre everywhere.
  { name: 'needleMm', label: 'Needle, mm', type: 'number', optional: true, width: 2 },
  { name: 'lineMm', label: 'Least line', unit: 'mm', type: 'number', optional: true, width: 2 },
  { name: 'filmUm', label: 'Film', unit: 'µm', type: 'number', optional: true, width: 3 },
  { name: 'wasteMl', label: 'Waste', unit: 'ml', type: 'number', optional: true, width: 3 },
  { name: 'minutes', label: 'To set up and clean', unit: 'min', type: 'number', optional: true, width: 3 },
  {
    name: 'keptFor',
    label: 'Kept for',
    help: `A second airbrush may be kept for ${listed(KEPT_KINDS, 'or')}, or the code of one colour`,
    width: 4,
  },
];
const figure = (value: number | null, unit: string) => (value === null ? '–' : `${value} ${unit}`);

/** What is owned: it decides how each colour is brought on. */
export function ToolsPane({ data }: { data: KitPage }): ReactNode {
  const measures = useMeasures();
  return (
    <>
      <UnitsChoice units={measures.units} />
      <RecordList
        briefId={data.briefId}
        entity="tool"
        records={data.tools}
        heads={[
          { title: 'Tool' },
          { title: 'Kind' },
          { title: 'Least line', num: true },
          { title: 'Film of a coat', num: true },
          { title: 'Waste', num: true },
          { title: 'Set up', num: true },
        ]}
        nameOf={toolTitle}
        cells={({ kind, figures, keptFor }) => [
          keptFor ? `${kind}, kept for ${keptFor}` : kind,
          measures.shown(figure(figures.lineMm, 'mm')),
          figure(figures.filmUm, 'µm'),
          figure(figures.wasteMl, 'ml'),
          figure(figures.minutes, 'min'),
        ]}
        fields={FIELDS}
        blank={{
          kind: 'airbrush',
          name: '',
          needleMm: '',
          lineMm: '',
          filmUm: '',
          wasteMl: '',
          minutes: '',
          keptFor: '',
        }}
        add="Add a tool"
        empty={
          <>
            <strong>No tool is listed.</strong> Until one is, everything is planned with an airbrush of a 0.3 mm needle
            ({TYPICAL_TOOL.airbrush.reason}). List what you own, and each colour gets the way that suits its area, its
            edge and your tools.
          </>
        }
      />
      {data.ways.length > 0 ? (
        <section className="kit-part">
          <h2>Not with the airbrush</h2>
          <ul>
            {data.ways.map(({ code, name, way, because }) => (
              <li key={code}>
                <Link
                  prefetch={false}
                  href={`/briefs/${data.briefId}/colours?code=${encodeURIComponent(code)}&show=layers`}
                >
                  {code} {name}
                </Link>
                : {way} ({because})
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </>
  );
}
