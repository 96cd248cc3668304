/** Figures as the sums of the workshop say them: without zeros behind. */
export const shown = (value: number, digits = 2): string => String(Number(value.toFixed(digits)));
/** Degrees of one radian. */
export const DEGREES = 180 / Math.PI;
