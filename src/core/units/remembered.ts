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

/** Such a memory for each thing of a kind, as long as the thing is. */
export function rememberingFor<A extends object, T>(most: number): (of: A, name: string, work: () => T) => T {
  const memories = new WeakMap<A, ReturnType<typeof remembering<T>>>();
  return (of, name, work) => {
    const remember = memories.get(of) ?? remembering<T>(most);
    memories.set(of, remember);
    return remember(name, work);
  };
}

/** What follows from a thing, made once for it: it is remembered as long as the thing is. Answers are shared and must not be changed. */
export function rememberedFor<A extends object, T>(make: (of: A) => T): (of: A) => T {
  const remember = rememberingFor<A, T>(1);
  return (of) => remember(of, '', () => make(of));
}

/** What follows from two things, made once for both: it is remembered as long as they are. Answers are shared and must not be changed. */
export function rememberedOf<A extends object, B extends object, T>(
  make: (one: A, other: B) => T,
): (one: A, other: B) => T {
  const memories = new WeakMap<A, WeakMap<B, { answer: T }>>();
  return (one, other) => {
    const known = memories.get(one) ?? new WeakMap<B, { answer: T }>();
    memories.set(one, known);
    const before = known.get(other);
    if (before) return before.answer;
    const answer = make(one, other);
    known.set(other, { answer });
    return answer;
  };
}
