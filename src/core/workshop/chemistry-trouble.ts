import { spokenZones } from '@/core/outline/spoken';
import { barrierKey, conflictsByPair, REMEDIES, TAKEABLE, type RemedyName, type TakenRemedy } from '@/core/laid/guard';
import { isGrave } from '@/core/paint/chemistry';
import type { BriefView } from '@/core/derive/derive';

/** One step that attacks what another laid, on all zones where it does. */
export interface ChemistryTrouble {
  over: string;
  under: string;
  overTitle: string;
  underTitle: string;
  /** "the cockpit and both bays" */
  where: string;
  says: string;
  /** It spoils the work unless something is done. */
  grave: boolean;
  /** What the builder may choose; the route carries out those that can be taken. */
  remedies: { id: RemedyName; says: string; canTake: boolean }[];
  taken: RemedyName | null;
}

const canTake = (id: RemedyName): id is TakenRemedy['remedy'] => (TAKEABLE as readonly string[]).includes(id);

/** Where the chemistry of the route is not in order, the graver first; and the barriers that were taken already. */
export function chemistryTrouble({
  route,
  outline,
  standing,
  state: { brief, log },
}: Pick<BriefView, 'route' | 'outline' | 'standing' | 'state'>): {
  open: ChemistryTrouble[];
  /** Pairs between which the route waits for a full cure of itself. */
  waited: number;
  barriers: { over: string; under: string; says: string }[];
} {
  // What is laid may be of a step that is gone.
  const titles = new Map([
    ...log.map(({ stepKey, title }) => [stepKey, title] as const),
    ...route.steps.map(({ key, title }) => [key, title] as const),
  ]);
  const all = conflictsByPair(standing.stacks, brief.remedies).map(
    ({ over, under, zones, verdict, says, remedies, taken }): ChemistryTrouble => ({
      over: over.step,
      under: under.step,
      overTitle: titles.get(over.step)!,
      underTitle: titles.get(under.step)!,
      where: spokenZones(outline.zones, zones),
      says,
      grave: isGrave(verdict),
      remedies: remedies.map((remedy) => ({ ...remedy, canTake: canTake(remedy.id) })),
      taken,
    }),
  );
  return {
    open: all.filter(({ grave }) => grave).sort((a, b) => Number(a.taken !== null) - Number(b.taken !== null)),
    waited: all.filter(({ grave, taken }) => !grave && taken === 'cure').length,
    barriers: brief.remedies.flatMap(({ remedy, over, under }) => {
      const title = titles.get(barrierKey(over, under));
      return remedy === 'barrier' && title ? [{ over, under, says: `${title}: ${REMEDIES.barrier}` }] : [];
    }),
  };
}
