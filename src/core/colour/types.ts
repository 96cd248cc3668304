/** CIELAB for illuminant D65 and the 2-degree observer: L* 0..100, a*, b*. The one coordinate everything else converts to. */
export type Lab = readonly [L: number, a: number, b: number];
/** Tristimulus values, Y = 1 for a perfect white. */
export type Xyz = readonly [X: number, Y: number, Z: number];
/** sRGB components after the transfer curve, 0..1 when inside the gamut. */
export type Srgb = readonly [r: number, g: number, b: number];
/** Reflectance factors 0..1 on 31 bands, 400 to 700 nm by 10. */
export type Reflectance = readonly number[];
export type White = 'D65' | 'D50' | 'C' | 'A';
