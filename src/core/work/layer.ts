import type { Chemistry } from '@/core/paint/chemistry';
import type { Coat } from '@/core/paint/drying';
import type { LayerKind, Stage, StepKind } from './kinds';

/**
 * What a piece of work leaves on the model: one shape from the plan to the log, to what a mishap took, and to the record. What is no paint
 * (a decal, dust, a scratch) has a chemistry all the same: it waits, and is waited for, like that.
 */
export interface Layer extends Coat {
  what: LayerKind;
  /** The colour code that it shows; null for general coats. */
  code: string | null;
  /** The paint by name, for whoever has to do it again. */
  paint: string;
  coats: number;
}

/** What a general coat leaves behind. */
export const layerOfCoat = ({
  what,
  title,
  chemistry,
  dries = {},
}: Coat & { what: LayerKind; title: string }): Layer => ({
  what,
  chemistry,
  dries,
  code: null,
  paint: title,
  coats: 1,
});

/** Layers that carry no paint film of their own for the next one to attack, or to fill detail. */
export const DRY: ReadonlySet<LayerKind> = new Set(['decal', 'pigment', 'chip']);

/** How a layer dries of which nobody said what it was made of: films of paint as water-based ones, oils and washes as they are. */
export const USUAL_CHEMISTRY: Readonly<Record<LayerKind, Chemistry>> = {
  primer: 'AL',
  undercoat: 'WA',
  tone: 'WA',
  colour: 'WA',
  marking: 'WA',
  decal: 'WA',
  clear: 'WA',
  wash: 'EW',
  oil: 'OI',
  chip: 'WA',
  pigment: 'WA',
};

/** By what kind of work a layer usually comes on. */
export const KIND_OF_LAYER: Readonly<Record<LayerKind, StepKind>> = {
  primer: 'spray',
  undercoat: 'spray',
  tone: 'spray',
  colour: 'spray',
  marking: 'spray',
  decal: 'decal',
  clear: 'seal',
  wash: 'washcoat',
  oil: 'oil',
  chip: 'chip',
  pigment: 'pigment',
};

/** In which stage of a build a layer usually comes. */
export const STAGE_OF_LAYER: Readonly<Record<LayerKind, Stage>> = {
  primer: 'ground',
  undercoat: 'colours',
  tone: 'colours',
  colour: 'colours',
  marking: 'markings',
  decal: 'markings',
  clear: 'markings',
  wash: 'weathering',
  oil: 'weathering',
  chip: 'weathering',
  pigment: 'weathering',
};
