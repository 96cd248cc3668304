/** What can be asked about a zone. A code is canonicalised, a length is a number of mm on the real machine, the rest is text. */
export const ASPECTS = {
  colour: { title: 'Colour', type: 'code' },
  finish: { title: 'Finish', type: 'text' },
  boundary: { title: 'Colour boundary', type: 'text' },
  marking: { title: 'Marking', type: 'text' },
  size: { title: 'Marking size', type: 'length' },
  fit: { title: 'Fit and equipment', type: 'text' },
  seam: { title: 'Seam or panel line', type: 'text' },
  wear: { title: 'Wear and stains', type: 'text' },
  layers: { title: 'Layer order', type: 'text' },
} as const;

export type Aspect = keyof typeof ASPECTS;
export const ASPECT_NAMES = Object.keys(ASPECTS) as [Aspect, ...Aspect[]];
