/** On what a ruling rests. */
export const RULING_BASES = ['supported', 'choice', 'departure'] as const;
export const RULING_TITLES: Record<(typeof RULING_BASES)[number], string> = {
  supported: 'As supported',
  choice: "Builder's choice",
  departure: 'Knowing departure from the record',
};
