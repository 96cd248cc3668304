import type { Caution } from '@/core/paint/caution';

export { SPIRIT } from '@/core/paint/spraying';

/** Cautions of the bench, each where its hazard is; the product's own sheet comes first. */
export const BLADE: Caution = { says: 'Blade: cut away from you, change it when it drags.', protection: [] };
export const TAPE: Caution = { says: 'Blade: cut tape on glass, never on the model.', protection: [] };
export const DUST: Caution = {
  says: 'Filler and plastic dust: sand wet, wear a dust mask (resin above all).',
  protection: ['dust mask'],
};
export const CEMENT: Caution = {
  says: 'Solvent cement: ventilate; keep it off clear parts.',
  protection: ['window open'],
};
export const CA: Caution = {
  says: 'Cyanoacrylate: fumes and skin; it fogs clear parts.',
  protection: ['window open'],
};
export const SPRAY: Caution = {
  says: 'Spray mist: mask and extraction.',
  protection: ['dust mask', 'extraction on'],
};
export const HEAT: Caution = {
  says: 'Warm water or air softens plastic and burns skin: gloves.',
  protection: ['gloves'],
};
export const SOLDER: Caution = {
  says: 'Soldering: hot metal and fumes; ventilate, eye protection.',
  protection: ['eye protection', 'window open'],
};
export const SOLVENT: Caution = {
  says: 'Solvent for cleaning: ventilate, gloves, no flame.',
  protection: ['gloves', 'window open'],
};
export const EDGES: Caution = {
  says: 'Etched metal: sharp edges, cut on glass, eye protection.',
  protection: ['eye protection'],
};
export const LEAD: Caution = {
  says: 'Lead: gloves, wash hands; tungsten putty or steel balls do without it.',
  protection: ['gloves'],
};

/** What two paints do to one another: nothing protects the hand from it. */
export const overAnother = (under: string, says: string): Caution => ({
  says: `Over ${under}: ${says}.`,
  protection: [],
});
