'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import { BASE_LAYERS, IN_PLACE_BY, SUBJECT_KINDS, SUBJECTS } from '@/core/kit/subjects';
import { durationInWords } from '@/core/units/minutes';
import { counted } from '@/core/units/words';
import { shortDay } from '@/ui/dates';
import type { FieldSpec } from '@/ui/fields';
import { LayerOrder } from './layer-order';
import type { KitPage } from './page-data';
import { RecordList } from './record-list';

const BY_TITLES: Record<(typeof IN_PLACE_BY)[number], string> = {
  fuselage: 'before the fuselage closes',
  end: 'when the machine is done',
};
const fieldsFor = (subjects: KitPage['subjects']): FieldSpec[] => [
  { name: 'title', label: 'Title', help: 'Ground crew, Quay, Ready aircraft', width: 4 },
  {
    name: 'kind',
    label: 'Kind',
    type: 'choice',
    options: SUBJECT_KINDS.map((value) => ({ value, label: SUBJECTS[value].title })),
    width: 4,
  },
  { name: 'count', label: 'Count', type: 'number', width: 2 },
  { name: 'lengthM', label: 'Length', unit: 'm', type: 'number', width: 2 },
  { name: 'place', label: 'Place', help: 'by the port wing', width: 3 },
  {
    name: 'standsOn',
    label: 'Stands on',
    type: 'choice',
    options: [
      { value: '', label: 'nothing else of these' },
      ...subjects.map(({ name, title }) => ({ value: name, label: title })),
    ],
    width: 3,
  },
  { name: 'role', label: 'Role, as shown', width: 2 },
  { name: 'breadthM', label: 'Breadth', unit: 'm', type: 'number', width: 2 },
  { name: 'heightM', label: 'Height', unit: 'm', type: 'number', width: 2 },
  {
    name: 'byGate',
    label: 'In place',
    type: 'choice',
    options: IN_PLACE_BY.map((value) => ({ value, label: BY_TITLES[value] })),
    width: 4,
  },
  { name: 'note', label: 'Note', width: 8 },
];

const onWhat = ({ standsOn }: KitPage['subjects'][number], subjects: KitPage['subjects']): string => {
  const under = subjects.find(({ name }) => name === standsOn);
  return under ? `on ${under.title}` : '';
};

/** What is modelled in this brief beside the machine itself. */
export function SubjectsPane({ data }: { data: KitPage }): ReactNode {
  return (
    <>
      <p>
        The main subject is the machine itself. What else stands with it has its own zones, questions, colours and steps
        here.
      </p>
      <RecordList
        briefId={data.briefId}
        entity="subject"
        records={data.subjects}
        heads={[
          { title: 'Subject' },
          { title: 'Kind' },
          { title: 'Count', num: true },
          { title: 'Place' },
          { title: 'Work', num: true },
          { title: 'Still open', num: true },
          { title: 'Done by' },
        ]}
        nameOf={({ title }) => title}
        cells={(subject) => [
          SUBJECTS[subject.kind].title,
          subject.count,
          [subject.place, onWhat(subject, data.subjects), subject.role].filter(Boolean).join('; ') || '–',
          `${counted(subject.steps, 'step')}, ${durationInWords(subject.minutes)}`,
          subject.open > 0 ? (
            <Link key="open" prefetch={false} href={`/briefs/${data.briefId}/evidence`}>
              {subject.open}
            </Link>
          ) : (
            0
          ),
          subject.finish ? shortDay(subject.finish) : '–',
        ]}
        fields={fieldsFor(data.subjects)}
        blank={{
          title: '',
          kind: 'figure',
          count: '1',
          place: '',
          standsOn: '',
          role: '',
          lengthM: '0',
          breadthM: '0',
          heightM: '0',
          byGate: 'end',
          layers: [],
          note: '',
        }}
        add="Add a subject"
        empty={
          <>
            <strong>Nothing stands beside it.</strong> Add figures, the aircraft of a deck load, a vehicle, a deck or a
            base: several alike are painted in one spraying.
          </>
        }
      />
      {data.subjects
        .filter(({ kind }) => kind === 'base')
        .map((base) => (
          <LayerOrder key={`${base.id} ${base.version}`} briefId={data.briefId} base={base} layers={BASE_LAYERS} />
        ))}
    </>
  );
}
