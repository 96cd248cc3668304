/** How a test piece came out; '' while nobody has judged it. */
export const SPRAY_OUT_RESULTS = [
  '',
  'as wanted',
  'too light',
  'too dark',
  'too warm',
  'too cold',
  'rough',
  'failed',
] as const;
