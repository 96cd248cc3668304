import type { Paint } from './catalogue';

/** Coats that no colour calls for, of which the product is chosen all the same: what they are of decides what may go under and over them. */
export const COAT_ROLES = ['primer', 'shade', 'marbling', 'gloss', 'satin', 'matt'] as const;
export type CoatRole = (typeof COAT_ROLES)[number];

interface RoleFacts {
  title: string;
  /** What it is for. */
  does: string;
  /** Whether a paint is made for it; what is not may serve all the same, as a paint serves as primer. */
  isMadeFor: (paint: Pick<Paint, 'kind' | 'finish'>) => boolean;
  serves: (paint: Pick<Paint, 'kind' | 'finish'>) => boolean;
}

const clearOf = (finish: Paint['finish']) => (paint: Pick<Paint, 'kind' | 'finish'>) =>
  paint.kind === 'clear' && paint.finish === finish;

export const ROLE_FACTS: Readonly<Record<CoatRole, RoleFacts>> = {
  primer: {
    title: 'Primer',
    does: 'under everything: it holds what comes over it, and shows seams and scratches',
    isMadeFor: ({ kind }) => kind === 'primer',
    serves: ({ kind }) => kind === 'primer' || kind === 'solid',
  },
  shade: {
    title: 'Dark under the colours',
    does: 'panel lines and corners pre-shaded, or the whole black base: another under light colours than under dark ones',
    isMadeFor: ({ kind }) => kind === 'solid',
    serves: ({ kind }) => kind === 'solid' || kind === 'primer',
  },
  marbling: {
    title: 'Marbling',
    does: 'wandering lines over a black base, that show through the colour',
    isMadeFor: ({ kind }) => kind === 'solid',
    serves: ({ kind }) => kind === 'solid',
  },
  gloss: {
    title: 'Gloss clear',
    does: 'a smooth ground for decals and washes, and their seal',
    isMadeFor: clearOf('gloss'),
    serves: clearOf('gloss'),
  },
  satin: {
    title: 'Satin clear',
    does: 'the last coat where satin is ruled',
    isMadeFor: clearOf('satin'),
    serves: clearOf('satin'),
  },
  matt: {
    title: 'Matt clear',
    does: 'for oils to grip, and the last coat where nothing else is ruled',
    isMadeFor: clearOf('matt'),
    serves: clearOf('matt'),
  },
};
