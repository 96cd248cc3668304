import { subjectName } from '@/core/kit/subjects';

/** Subjects whose names cannot be told apart, by their place in the list. */
export function subjectFaults(subjects: readonly { title: string }[]): { at: number; says: string }[] {
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
