/** The bar under the four views on paper: so many millimetres on the model. */
export const BAR_MM = 50;
export const barInWords = (denominator: number): string => `${BAR_MM} mm at 1/${denominator}; dashed: not ruled yet`;
