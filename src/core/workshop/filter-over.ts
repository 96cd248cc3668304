import { readLook } from '@/core/colour/observation';
import type { BriefView } from '@/core/derive/derive';
import { spokenZones } from '@/core/outline/spoken';
import { paintInFull, type Paint } from '@/core/paint/catalogue';
import type { WorkRun } from '@/core/route/runs';
import { paintingWork } from '@/core/route/takes';
import { counted } from '@/core/units/words';
import { bringRound, type BroughtRound } from '@/core/weathering/bring-round';
import { minutesOf } from '@/core/work/minutes';
import { stayingLayers } from './how-made';

/** A filter over a colour that came out otherwise than called. */

/** How a colour looks that came out otherwise than called, in words or as L* a* b*, and the paints that could bring it round. */
export interface Looked {
  looks: string;
  paints: readonly Paint[];
}

/** The filter that brings the colour of some zones nearest to what was called for. */
export function filterFor(
  view: Pick<BriefView, 'state' | 'route' | 'outline' | 'standing' | 'calls'>,
  zones: readonly string[],
  { looks, paints }: Looked,
): BroughtRound | null {
  const [top] = zones.flatMap((zone) => stayingLayers(view, zone).findLast(({ what }) => what === 'colour') ?? []);
  const call = view.calls.find(({ code }) => code === top?.code);
  const called = call?.official?.lab ?? call?.choice?.paint.lab;
  const seen = called && readLook(looks, called)?.lab;
  if (!top || !called || !seen) return null;
  const owned = paints.filter(({ ownedMl }) => ownedMl > 0);
  return bringRound(called, seen, owned, top.chemistry) ?? bringRound(called, seen, paints, top.chemistry);
}

/** The repair as the filter that it is: what goes into the cup, how often, and what it leaves. */
export function withFilter(
  run: WorkRun,
  { paint, percent, passes, was, now }: BroughtRound,
  { outline, state }: Pick<BriefView, 'outline' | 'state'>,
  zones: readonly string[],
): WorkRun {
  // Two passes are a coat.
  const work = paintingWork('airbrush', Math.ceil(passes / 2), zones, {
    outline,
    denominator: state.brief.denominator,
  });
  const title = `${percent} % ${paintInFull(paint)}`;
  const [first, ...others] = run.steps;
  const load = { id: `filter ${paint.id}`, title, kind: 'wash' as const, lightness: Math.round(paint.lab?.[0] ?? 80) };
  return {
    ...run,
    steps: [
      {
        ...first!,
        title: `Filter on ${spokenZones(outline.zones, zones)}: ${title}, ${counted(passes, 'pass')}`.slice(0, 200),
        kind: 'spray',
        minutes: minutesOf(work),
        lays: { what: 'tone', chemistry: paint.chemistry, code: null, paint: title, coats: 1 },
        load,
        because: `${first!.because} It is ${was.toFixed(1)} off now, and about ${now.toFixed(1)} with it; each pass dries before the next.`,
      },
      ...others,
    ],
  };
}
