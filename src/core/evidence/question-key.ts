/** By what a question (or the mirroring of one) is known within its brief. */
export const questionKey = ({ zone, aspect, item }: { zone: string; aspect: string; item: string }): string =>
  `${zone} ${aspect} ${item}`;
