export { SPIRIT } from '@/core/paint/spraying';

/** Cautions of the bench, each where its hazard is; the product's own sheet comes first. */
export const BLADE = 'Blade: cut away from you, change it when it drags.';
export const TAPE = 'Blade: cut tape on glass, never on the model.';
export const DUST = 'Filler and plastic dust: sand wet, wear a dust mask (resin above all).';
export const CEMENT = 'Solvent cement: ventilate; keep it off clear parts.';
export const CA = 'Cyanoacrylate: fumes and skin; it fogs clear parts.';
export const SPRAY = 'Spray mist: mask and extraction.';
export const HEAT = 'Warm water or air softens plastic and burns skin: gloves.';
export const SOLDER = 'Soldering: hot metal and fumes; ventilate, eye protection.';
export const SOLVENT = 'Solvent for cleaning: ventilate, gloves, no flame.';
export const EDGES = 'Etched metal: sharp edges, cut on glass, eye protection.';
