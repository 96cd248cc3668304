import { derivationCircle } from '@/core/evidence/independence';
import { whyNot } from '@/core/kit/conflicts';
import { NOT_BEGUN } from '@/core/kit/machine';
import { registerFaults } from '@/core/kit/parts';
import { machineOf } from '@/core/outline/presets';
import { subjectFaults } from './check-subjects';
import type { RecordName } from './records';
import type { BriefState } from './state';

/** What records of one brief say against one another. An import refuses it, and no act may leave it behind. */
export interface Contradiction {
  field: string;
  says: string;
}

interface Rule {
  /** Kinds of record by whose change it can come to be. */
  kinds: readonly RecordName[];
  reads: readonly (keyof BriefState)[];
  find: (state: BriefState) => Contradiction[];
}

const RULES: readonly Rule[] = [
  {
    kinds: ['source'],
    reads: ['sources'],
    find: ({ sources }) => {
      const circle = derivationCircle(sources);
      const title = new Map(sources.map((source) => [source.id, source.title]));
      return circle
        ? [
            {
              field: 'derivedFrom',
              says: `Derived from: goes in a circle, ${circle.map((id) => title.get(id)).join(' from ')}`,
            },
          ]
        : [];
    },
  },
  {
    kinds: ['brief', 'airframe'],
    reads: ['brief', 'airframe'],
    find: ({ brief, airframe }) =>
      whyNot(brief.options, machineOf(airframe), NOT_BEGUN).map((reason) => ({
        field: 'options',
        says: `It cannot be: ${reason}.`,
      })),
  },
  {
    kinds: ['part', 'brief'],
    reads: ['parts', 'brief'],
    find: ({ parts, brief }) =>
      registerFaults(parts, brief.boughtOn).map(({ field, says }) => ({ field, says: `${says}.` })),
  },
  {
    kinds: ['subject'],
    reads: ['subjects'],
    find: ({ subjects }) => subjectFaults(subjects).map(({ field, says }) => ({ field, says })),
  },
  {
    kinds: ['route_edit'],
    reads: ['edits'],
    find: ({ edits }) => {
      const after = new Map<string, string[]>();
      for (const { edit } of edits)
        if (edit.kind === 'order') after.set(edit.then, [...(after.get(edit.then) ?? []), edit.first]);
      const circle = derivationCircle([...after].map(([id, derivedFrom]) => ({ id, derivedFrom })));
      return circle ? [{ field: 'edit', says: 'It cannot be: these orders of steps run in a circle.' }] : [];
    },
  },
];

const rulesFor = (kinds: ReadonlySet<RecordName>) => RULES.filter((rule) => rule.kinds.some((kind) => kinds.has(kind)));

/** Lists that have to be known to tell whether a change of these kinds of record contradicts anything. */
export const readToContradict = (kinds: ReadonlySet<RecordName>): (keyof BriefState)[] => [
  ...new Set(rulesFor(kinds).flatMap(({ reads }) => reads)),
];

/** What is contradictory after a change of these kinds; of a state of which the lists that it takes are known. */
export const contradictionsIn = (state: Partial<BriefState>, kinds: ReadonlySet<RecordName>): Contradiction[] =>
  rulesFor(kinds).flatMap(({ find }) => find(state as BriefState));
