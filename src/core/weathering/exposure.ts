/** What a machine went through, as far as it shows: said by evidence, or chosen. */
export const GROUNDS = ['grass', 'dirt', 'tarmac', 'deck', 'snow', 'water'] as const;
export const CLIMATES = ['temperate', 'desert', 'tropical', 'sea', 'arctic'] as const;
export const SKINS = ['metal', 'wood and fabric', 'composite'] as const;
export const CARES = ['kept clean', 'as usual', 'neglected'] as const;

/** Every choice there is, for each question of the exposure. */
export const EXPOSURE_CHOICES = { ground: GROUNDS, climate: CLIMATES, skin: SKINS, care: CARES } as const;

export interface Exposure {
  /** What it stood and rolled on. */
  ground: (typeof GROUNDS)[number];
  climate: (typeof CLIMATES)[number];
  /** What lies under paint and primer. */
  skin: (typeof SKINS)[number];
  care: (typeof CARES)[number];
}

/** How strong everything comes out by how the machine was cared for. */
export const CARE_STRENGTH: Record<Exposure['care'], number> = { 'kept clean': 0.4, 'as usual': 1, neglected: 1.6 };

/** How fast paint fades, 1 in a temperate year. */
export const FADE: Record<Exposure['climate'], number> = {
  temperate: 1,
  desert: 2,
  tropical: 1.8,
  sea: 1.4,
  arctic: 0.7,
};
