/** Work that is no step of any route: what the builder did beside it, and wants to find again. */

/** The name under which it stands in the log. */
export const otherWorkKey = (id: string): string => `other:${id}`;
/** It is in no lane of the route. */
export const isOther = ({ lane }: { lane: string }): boolean => lane === '';
