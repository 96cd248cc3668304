/** Work that is no step of any route: what the builder did beside it, and wants to find again. */
const PREFIX = 'other:';

export const otherWorkKey = (id: string): string => `${PREFIX}${id}`;
export const isOther = ({ stepKey }: { stepKey: string }): boolean => stepKey.startsWith(PREFIX);
