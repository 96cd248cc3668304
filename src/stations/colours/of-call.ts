import { UNMEASURED } from '@/core/colour/unmeasured';
import { hexOf } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import type { Part } from '@/core/match/mix/cup';
import type { Target } from '@/core/match/single';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import type { DropPart } from '@/ui/drop-bar';

/** Paints of each group (drawer, claims, others) that a call shows. */
export const MATCHES = 7;

export const dropOf = (paint: Paint, drops: number): DropPart => ({
  label: paintLabel(paint),
  hex: paint.lab ? hexOf(paint.lab) : UNMEASURED,
  drops,
});

/** Calls that need a paint and have none, what covers most first; of what is only printed or penned nobody needs one. */
export const unpainted = <C extends { painted: boolean; chosen: object | null; areaCm2: number }>(
  calls: readonly C[],
): C[] => calls.filter(({ painted, chosen }) => painted && !chosen).sort((a, b) => b.areaCm2 - a.areaCm2);

/** The drops that make a call as it is chosen: of its recipe, or one of its paint; none while nothing is chosen. */
export const chosenParts = ({
  recipes,
  chosen,
}: {
  recipes: readonly { inUse: boolean; record: { parts: readonly Part[] } }[];
  chosen: { paint: Paint } | null;
}): readonly Part[] =>
  recipes.find(({ inUse }) => inUse)?.record.parts ?? (chosen ? [{ paintId: chosen.paint.id, drops: 1 }] : []);

/** A call, as far as it asks anything of a paint. */
interface Asked extends Pick<Target, 'sd' | 'code'> {
  lab: Lab | null;
  record: Pick<Target, 'finish' | 'kind' | 'ground' | 'flop'> | null;
}

/** What a call asks of a paint; null while no colour is known for its code. */
export function targetOf(call: Asked): Target | null {
  const { lab, sd, code, record } = call;
  return lab && record
    ? { lab, sd, code, finish: record.finish, kind: record.kind, ground: record.ground, flop: record.flop }
    : null;
}
