import { canonicalIn } from '@/core/codes/system';
import type { BriefView } from '@/core/derive/derive';
import { MARKING_METHODS, type MarkingMethod } from '@/core/markings/kinds';
import { paintedSize } from '@/core/markings/painted-size';
import { takesWhite } from '@/core/route/painted-marking';
import type { Minutes } from '@/core/units/minutes';
import { minutesOfMaking, type MarkingToMake } from '@/core/work/making';

/** What a marking takes at the bench by each way of making it: that of the way it is made is what the route plans for it. */
export function minutesOfMethods(
  {
    outline,
    official,
    book,
    wanted,
    state: { brief },
  }: Pick<BriefView, 'outline' | 'official' | 'book' | 'wanted' | 'state'>,
  marking: BriefView['state']['markings'][number],
): Record<MarkingMethod, Minutes> {
  const {
    zones,
    pieces = 1,
    isStencil = false,
    calls: planned = [],
    measures = [],
  } = wanted.markings.find(({ id }) => id === marking.id)!;
  const colours =
    planned.length > 0
      ? planned
      : marking.codes.map((code) => ({ lab: official.get(canonicalIn(book, code))?.lab ?? null }));
  const under = wanted.calls.filter((call) => call.zones.some((zone) => zones.includes(zone)));
  const toMake: MarkingToMake = {
    painted: paintedSize(outline, marking, brief.denominator),
    pieces,
    isStencil,
    white: takesWhite(colours, under),
    covered: measures.length > 0,
    sprays: wanted.general === 'airbrush',
  };
  return Object.fromEntries(MARKING_METHODS.map((method) => [method, minutesOfMaking(method, toMake)])) as Record<
    MarkingMethod,
    Minutes
  >;
}
