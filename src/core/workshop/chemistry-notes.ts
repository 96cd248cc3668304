import { spokenZones } from '@/core/outline/spoken';
import { CHEMISTRIES, isGrave, layOver, type Chemistry, type OverRule } from '@/core/paint/chemistry';
import { lightToDark } from '@/core/route/colour-order';
import { conflictsByPair } from '@/core/laid/guard';
import type { StackLayer } from '@/core/laid/stack';
import { capital } from '@/core/units/words';
import type { BriefView } from '@/core/derive/derive';

/** What a call's chemistry does to what it meets, or suffers from it: told when its paint is chosen, with what helps. */
export interface ChemistryNote {
  /** It spoils the work, unless what is said is done. */
  grave: boolean;
  says: string;
  /** Why, and what helps: the same for all that suffer from it. */
  cause: string;
  /** What meets what, and where. */
  where: string;
}

const kindOf = (chemistry: Chemistry) => CHEMISTRIES[chemistry].title.toLowerCase();

/** What helps where they meet, in a sentence. */
const REMEDY: Partial<Record<OverRule['verdict'], string>> = {
  no: 'seal it first with a lacquer or acrylic clear that has cured, or choose a paint of its own chemistry',
  risk: 'let it cure, then mist coats only; or choose a paint of its own chemistry',
  'mist first': 'begin with a mist coat',
  'after cure': 'wait until it has cured',
};

/** "Acrylic lacquer over enamel: it bites. Seal it first …" */
export const causeOf = (
  over: Chemistry,
  under: Chemistry,
  { verdict, says }: Pick<OverRule, 'verdict' | 'says'>,
): string => `${capital(kindOf(over))} over ${kindOf(under)}: ${says}. ${capital(REMEDY[verdict]!)}`;

/** By code: conflicts on its zones, and along the edges where a neighbour's coat is sprayed over it. */
export function chemistryNotes(
  { wanted, standing, outline }: Pick<BriefView, 'wanted' | 'standing' | 'outline'>,
  edges: readonly { a: string; b: string }[],
): Map<string, ChemistryNote[]> {
  const notes = new Map<string, ChemistryNote[]>();
  const note = (code: string | null, made: ChemistryNote) => {
    if (code === null) return;
    const known = notes.get(code) ?? [];
    if (!known.some(({ says }) => says === made.says)) notes.set(code, [...known, made]);
  };

  const nameOf = ({ code, paint, what }: StackLayer) => code ?? (paint || what);
  for (const { over, under, zones, verdict, says } of conflictsByPair(standing.stacks)) {
    const place = spokenZones(outline.zones, zones);
    const made = {
      grave: isGrave(verdict),
      says: `${nameOf(over)} (${kindOf(over.chemistry)}) over ${nameOf(under)} (${kindOf(under.chemistry)}) on ${place}: ${says}. ${capital(REMEDY[verdict]!)}`,
      cause: causeOf(over.chemistry, under.chemistry, { verdict, says }),
      where: `${nameOf(over)} over ${nameOf(under)} on ${place}`,
    };
    note(over.code, made);
    note(under.code, made);
  }

  const ordered = lightToDark(wanted.calls).flatMap(({ code, paint }) =>
    paint ? [{ code, chemistry: paint.chemistry }] : [],
  );
  for (const { a, b } of edges) {
    const [under, over] = ordered.filter(({ code }) => code === a || code === b);
    if (!under || !over) continue;
    const rule = layOver(over.chemistry, under.chemistry);
    if (!isGrave(rule.verdict)) continue;
    const made = {
      grave: true,
      says: `Where they meet, ${over.code} (${kindOf(over.chemistry)}) is sprayed over the edge of ${under.code} (${kindOf(under.chemistry)}): ${rule.says}. ${capital(REMEDY[rule.verdict]!)}`,
      cause: causeOf(over.chemistry, under.chemistry, rule),
      where: `${over.code} over the edge of ${under.code}`,
    };
    note(under.code, made);
    note(over.code, made);
  }
  return notes;
}
