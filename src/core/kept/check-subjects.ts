import { subjectName } from '@/core/kit/subjects';

interface Standing {
  title: string;
  name?: string;
  standsOn?: string;
}

/** What is wrong with subjects, by their place in the list: titles that cannot be told apart, and what stands on nothing that is there, or on itself. */
export const subjectFaults = (subjects: readonly Standing[]): { at: number; field: string; says: string }[] => [
  ...alike(subjects).map((fault) => ({ ...fault, field: 'title' })),
  ...unsupported(subjects).map((fault) => ({ ...fault, field: 'standsOn' })),
];

function unsupported(subjects: readonly Standing[]): { at: number; says: string }[] {
  const byName = new Map(subjects.map((subject) => [subject.name || subjectName(subject.title), subject]));
  return subjects.flatMap(({ title, standsOn = '' }, at) => {
    if (standsOn === '') return [];
    if (!byName.has(standsOn)) return [{ at, says: `what "${title}" stands on is not there` }];
    const seen = new Set<string>();
    for (let under = standsOn; under !== ''; under = byName.get(under)?.standsOn ?? '') {
      if (byName.get(under) === subjects[at]) return [{ at, says: `"${title}" would stand on itself` }];
      // A circle further down is told at its own.
      if (seen.has(under)) return [];
      seen.add(under);
    }
    return [];
  });
}

function alike(subjects: readonly Standing[]): { at: number; says: string }[] {
  const seen = new Map<string, string>();
  return subjects.flatMap(({ title }, at) => {
    const key = subjectName(title);
    const known = seen.get(key);
    if (known === undefined) {
      seen.set(key, title);
      return [];
    }
    return [{ at, says: `"${title}" cannot be told from "${known}": call it something else` }];
  });
}
