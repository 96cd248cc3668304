/** What a piece of work, and what it leaves behind, can be. */

export const LANES = ['Cockpit', 'Fuselage', 'Wings', 'Gear, stores', 'Whole', 'Base'] as const;
export type Lane = (typeof LANES)[number];

/** What the work is: what a builder's own pace is learnt by. */
export const STEP_KINDS = [
  'wash',
  'clean',
  'fit',
  'glue',
  'fill',
  'sand',
  'drill',
  'mask',
  'unmask',
  'spray',
  'brush',
  'decal',
  'soften',
  'seal',
  'washcoat',
  'wipe',
  'oil',
  'chip',
  'pigment',
  'inspect',
  'mend',
  'wait',
  'decide',
  'test',
  'assemble',
  'weigh',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** The stages of a build in their canonical order. */
export const STAGE_NAMES = [
  'decide',
  'clean',
  'interior',
  'closing',
  'seams',
  'preparing',
  'ground',
  'colours',
  'markings',
  'weathering',
  'small-parts',
  'assembly',
  'base',
] as const;
export type Stage = (typeof STAGE_NAMES)[number];

/** Where among the rules the colours and markings of a build are let in. */
export type Joint = 'interior' | 'bays' | 'parts' | 'part-markings' | 'colours' | 'markings';

/** What makes a step: a rule of every build, or something of this one. */
export type Family =
  | 'rule'
  | 'colour'
  | 'ground'
  | 'filter'
  | 'earlier coat'
  | 'open'
  | 'mask'
  | 'marking'
  | 'part'
  | 'subject'
  | 'store'
  | 'structure'
  | 'temporary'
  | 'barrier'
  | 'rework'
  | 'technique'
  | 'weathering'
  | 'own';

/** What a layer is, from the plastic up. */
export const LAYER_KINDS = [
  'primer',
  'undercoat',
  'tone',
  'colour',
  'marking',
  'decal',
  'clear',
  'wash',
  'oil',
  'chip',
  'pigment',
] as const;
export type LayerKind = (typeof LAYER_KINDS)[number];
