import type { Paint } from './catalogue';
import { SPRAYING } from './spraying';

/** How a paint is thinned for the airbrush: by its line's own word, else by what its chemistry usually takes. */
export interface Thinning {
  /** Parts of thinner to one of paint. */
  ratio: number;
  thinner: string;
}

type Thinned = Pick<Paint, 'thinRatio' | 'thinner' | 'chemistry'>;

export const thinRatioOf = ({ thinRatio, chemistry }: Omit<Thinned, 'thinner'>): number =>
  thinRatio ?? SPRAYING[chemistry].ratio;

export const thinningOf = (paint: Thinned): Thinning => ({
  ratio: thinRatioOf(paint),
  thinner: paint.thinner || SPRAYING[paint.chemistry].thinner,
});
