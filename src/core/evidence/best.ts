import { SOMETHING_ELSE, type WeighedQuestion } from './weigh';

/** The named value with the greatest share and that share; null where nothing that counts was said. */
export function bestNamed({
  support,
  state,
}: Pick<WeighedQuestion, 'support' | 'state'>): { value: string; share: number } | null {
  if (!support || state === 'unseen') return null;
  const [best] = Object.entries(support)
    .filter(([value]) => value !== SOMETHING_ELSE)
    .sort((a, b) => b[1] - a[1]);
  return best ? { value: best[0], share: best[1] } : null;
}
