/** On what a ruling rests. */
export const RULING_BASES = ['supported', 'choice', 'departure', 'liberty'] as const;
export const RULING_TITLES: Record<(typeof RULING_BASES)[number], string> = {
  supported: 'As supported',
  choice: "Builder's choice",
  departure: 'Knowing departure from the record',
  liberty: 'Liberty: because it is wanted so',
};

/** What is taken whatever the sources say, and stands in record and brief as that. */
export const FREELY_TAKEN: ReadonlySet<(typeof RULING_BASES)[number]> = new Set(['departure', 'liberty']);
