import { SOURCE_KIND_NAMES, SOURCE_KINDS } from '@/core/evidence/weights';
import { VIEWS } from '@/core/outline/zones';
import { optionsOf, type FieldSpec } from '@/ui/fields';
import type { EvidenceFacts } from './evidence-facts';

/** The fields of a source; its picture is handled beside them. */
export function sourceFieldSpecs(facts: EvidenceFacts, own: string | null): FieldSpec[] {
  return [
    { name: 'title', label: 'Title', width: 5 },
    {
      name: 'kind',
      label: 'Kind',
      type: 'choice',
      options: SOURCE_KIND_NAMES.map((kind) => ({
        value: kind,
        label: `${SOURCE_KINDS[kind].title} (${SOURCE_KINDS[kind].weight})`,
      })),
      width: 3,
    },
    { name: 'dateFrom', label: 'Dated from', type: 'day', optional: true, width: 2 },
    { name: 'dateTo', label: 'Dated to', type: 'day', optional: true, width: 2 },
    { name: 'citation', label: 'Citation, page', width: 6 },
    { name: 'sides', label: 'Sides shown', type: 'several', options: optionsOf(VIEWS), width: 6 },
    {
      name: 'derivedFrom',
      label: 'Derived from',
      type: 'several',
      options: facts.sources
        .filter((source) => source.id !== own)
        .map((source) => ({ value: source.id, label: source.title })),
      width: 6,
    },
    { name: 'grade', label: 'Grade', type: 'number', help: '0 to 2; 1 = as its kind says', width: 2 },
    { name: 'gradeReason', label: 'Reason for the grade', width: 4 },
  ];
}

export const NEW_SOURCE = {
  title: '',
  kind: 'photograph',
  dateFrom: null,
  dateTo: null,
  citation: '',
  sides: [],
  derivedFrom: [],
  grade: 1,
  gradeReason: '',
};
