import { canonicalIn } from '@/core/codes/system';
import type { BriefView } from '@/core/derive/derive';
import { coatsOfMarking, type MarkingCoat } from '@/core/markings/coats';
import { MARKING_METHODS, type MarkingMethod } from '@/core/markings/kinds';
import { paintedSize } from '@/core/markings/painted-size';
import { coatsOf, skinUnder } from '@/core/route/painted-marking';
import type { Minutes } from '@/core/units/minutes';
import { minutesOfMaking, type MarkingToMake } from '@/core/work/making';

/** The coats of a marking if it is painted: from light to dark, or as they hide. */
export function coatsOfMarkingIn(
  { official, book, wanted }: Pick<BriefView, 'official' | 'book' | 'wanted'>,
  { id, codes }: Pick<BriefView['state']['markings'][number], 'id' | 'codes'>,
): MarkingCoat[] {
  const { zones, calls = [], hides = [] } = wanted.markings.find((planned) => planned.id === id)!;
  if (calls.length > 0) return coatsOf({ zones, calls, hides }, wanted.calls);
  // What comes from a sheet has no calls: its colours are what their standard says.
  const colours = codes.map((value) => {
    const code = canonicalIn(book, value);
    const known = official.get(code);
    return { code, name: known?.record.name ?? '', lab: known?.lab ?? null };
  });
  return coatsOfMarking(colours, skinUnder(zones, wanted.calls));
}

/** What a marking takes at the bench by each way of making it: that of the way it is made is what the route plans for it. */
export function minutesOfMethods(
  view: Pick<BriefView, 'outline' | 'official' | 'book' | 'wanted' | 'state'>,
  marking: BriefView['state']['markings'][number],
): Record<MarkingMethod, Minutes> {
  const {
    outline,
    wanted,
    state: { brief },
  } = view;
  const { pieces = 1, isStencil = false, measures = [] } = wanted.markings.find(({ id }) => id === marking.id)!;
  const toMake: MarkingToMake = {
    painted: paintedSize(outline, marking, brief.denominator),
    pieces,
    isStencil,
    coats: coatsOfMarkingIn(view, marking),
    printing: marking.printing,
    covered: measures.length > 0,
    sprays: wanted.general === 'airbrush',
  };
  return Object.fromEntries(MARKING_METHODS.map((method) => [method, minutesOfMaking(method, toMake)])) as Record<
    MarkingMethod,
    Minutes
  >;
}
