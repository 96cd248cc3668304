import type { OptionName, Options } from './options';

/** Which choice hides which zones, with the reason: what nobody will see needs no colour. */
const HIDDEN: readonly { option: OptionName; is: string; groups: readonly string[]; because: string }[] = [
  { option: 'gear', is: 'up', groups: ['gear', 'bays'], because: 'the doors are closed over it' },
];

export const isSeen = ({ group }: { group: string }, options: Options): boolean =>
  !HIDDEN.some(({ option, is, groups }) => options[option] === is && groups.includes(group));
