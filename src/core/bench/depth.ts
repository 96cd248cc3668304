import type { LayerKind } from '@/core/work/kinds';

/** How deep damage reaches: the layer of that name is the last that stays. */
export const DEPTHS = ['clear', 'colour', 'primer', 'plastic'] as const;
export type Depth = (typeof DEPTHS)[number];

export const DEPTH_WORDS: Record<Depth, string> = {
  clear: 'down to the last clear',
  colour: 'down to the colour',
  primer: 'down to the primer',
  plastic: 'down to the plastic',
};

/** What stays where there is no layer of the name: the next kind beneath it. */
const BENEATH: Record<Depth, readonly LayerKind[]> = {
  clear: ['clear', 'colour', 'undercoat', 'primer'],
  colour: ['colour', 'undercoat', 'primer'],
  primer: ['primer'],
  plastic: [],
};

/** How many layers of a stack stay, counted from the plastic, when damage reaches down to a depth. */
export function staying(stack: readonly { what: LayerKind }[], down: Depth): number {
  for (const what of BENEATH[down]) {
    const last = stack.findLastIndex((layer) => layer.what === what);
    if (last >= 0) return last + 1;
  }
  return 0;
}
