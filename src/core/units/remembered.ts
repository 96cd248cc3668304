/**
 * A memory of the last few answers by name: the same question is not worked out again while it is remembered, and the oldest is forgotten
 * first. Answers are shared and must not be changed.
 */
export function remembering<T>(most: number): (name: string, work: () => T) => T {
  const known = new Map<string, { answer: T }>();
  return (name, work) => {
    const before = known.get(name);
    if (before) return before.answer;
    const answer = work();
    known.set(name, { answer });
    if (known.size > most) known.delete(known.keys().next().value!);
    return answer;
  };
}
