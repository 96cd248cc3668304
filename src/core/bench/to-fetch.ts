import { protectionOf, type Protection } from '@/core/paint/caution';
import type { BenchCard } from './cards';

/** What to bring to the bench for some cards. */
export interface Fetched {
  paints: { label: string; hex: string | null; neededMl: number | null; ownedMl: number | null; isShort: boolean }[];
  thinners: string[];
  tools: string[];
  protection: Protection[];
}

export function fetchFor(cards: readonly BenchCard[]): Fetched {
  const paints = new Map<string, Fetched['paints'][number]>();
  for (const { cup, paint } of cards) {
    const parts = cup?.parts ?? (paint ? [{ label: paint.label, drops: 0, hex: paint.hex }] : []);
    const drops = parts.reduce((sum, part) => sum + part.drops, 0);
    for (const { label, drops: own, hex } of parts) {
      const known = paints.get(label);
      const needed = paint?.neededMl && drops > 0 ? (paint.neededMl * own) / drops : null;
      const neededMl = known?.neededMl || needed ? (known?.neededMl ?? 0) + (needed ?? 0) : null;
      const ownedMl = known?.ownedMl ?? (parts.length === 1 ? (paint?.ownedMl ?? null) : null);
      paints.set(label, {
        label,
        hex: hex ?? known?.hex ?? null,
        neededMl,
        ownedMl,
        isShort: ownedMl !== null && neededMl !== null && ownedMl < neededMl,
      });
    }
  }
  return {
    paints: [...paints.values()],
    thinners: [...new Set(cards.flatMap(({ cup }) => (cup && cup.thinnerDrops > 0 ? [cup.thinner] : [])))],
    tools: [...new Set(cards.flatMap(({ lore }) => lore.tools))],
    protection: protectionOf(cards.flatMap(({ cautions }) => cautions)),
  };
}
