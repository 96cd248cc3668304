/** Cautions of the bench, each where its hazard is; the product's own sheet comes first. */
export const BLADE = 'Blade: cut away from you, change it when it drags.';
export const TAPE = 'Blade: cut tape on glass, never on the model.';
export const DUST = 'Filler and plastic dust: sand wet, wear a dust mask (resin above all).';
export const CEMENT = 'Solvent cement: ventilate; keep it off clear parts.';
export const CA = 'Cyanoacrylate: fumes and skin; it fogs clear parts.';
export const SPRAY = 'Spray mist: mask and extraction.';
export const SPIRIT = 'Mineral spirit: ventilate; lay rags flat outdoors to dry.';
