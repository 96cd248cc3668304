import { spokenZones } from '@/core/outline/spoken';
import type { Zone } from '@/core/outline/zones';
import { LONG_COAT, minutesOf } from '@/core/work/minutes';
import type { Route, RouteLink, RouteStep } from '@/core/work/step';

const MADE_READY = minutesOf({ kind: 'spray' });

/** Sprays that no evening holds are laid in pieces, the underside first, each of them whole on its zones. */
export function inPieces(route: Route, zones: readonly Zone[]): Route {
  const pieces = new Map(
    route.steps.flatMap((step) => {
      const all = piecesOf(step, zones);
      return all.length > 1 ? [[step.key, all] as const] : [];
    }),
  );
  if (pieces.size === 0) return route;
  return {
    ...route,
    steps: route.steps.flatMap((step) => pieces.get(step.key) ?? [step]),
    links: [
      // What waits for the whole waits for each piece, and at the most so long for the last; the first waits for what the whole waited for.
      ...route.links.flatMap((link) =>
        (pieces.get(link.from) ?? [{ key: link.from }]).map(({ key: from }, i, all) => ({
          ...link,
          from,
          maxLag: i === all.length - 1 ? link.maxLag : null,
        })),
      ),
      ...[...pieces.values()].flatMap((all) =>
        all.slice(1).map(({ key: to }, i): RouteLink => {
          return { from: all[i]!.key, to, minLag: 0, maxLag: null, why: 'one side after the other' };
        }),
      ),
    ],
  };
}

/** The pieces of a step; none where it is short enough. */
function piecesOf(step: RouteStep, zones: readonly Zone[]): RouteStep[] {
  if (!step.booth || step.minutes <= LONG_COAT) return [];
  const lots = shared(zones, step.zones, Math.ceil(step.minutes / LONG_COAT));
  const keys = lots.map((_, i) => (i === 0 ? step.key : `${step.key}:piece ${i + 1}`));
  return lots.map(({ own, share }, i): RouteStep => ({
    ...step,
    key: keys[i]!,
    title: `${step.title}: ${spokenZones(zones, own)}`,
    // Cup and airbrush are made ready and cleaned for each.
    minutes: Math.ceil(MADE_READY + (step.minutes - MADE_READY) * share),
    minutesFrom: `${step.minutesFrom}; this is ${Math.round(100 * share)} % of it`,
    zones: own,
    general: null,
    alike: [...step.alike, ...keys.filter((key) => key !== keys[i])],
  }));
}

const UNDERSIDE_FIRST = ['down', null, 'up'];

/** Zones in so many lots of about the same area, those that face one way together. */
function shared(zones: readonly Zone[], named: readonly string[], lots: number): { own: string[]; share: number }[] {
  const rank = ({ faces }: Zone) => UNDERSIDE_FIRST.indexOf(faces === 'up' || faces === 'down' ? faces : null);
  const inTurn = zones.filter(({ key }) => named.includes(key)).sort((a, b) => rank(a) - rank(b));
  const total = inTurn.reduce((sum, { areaM2 }) => sum + areaM2, 0);
  if (total === 0) return [];
  const made = Array.from({ length: lots }, () => ({ own: [] as string[], share: 0 }));
  let before = 0;
  for (const { key, areaM2 } of inTurn) {
    const lot = made[Math.min(lots - 1, Math.floor((lots * (before + areaM2 / 2)) / total))]!;
    lot.own.push(key);
    lot.share += areaM2 / total;
    before += areaM2;
  }
  return made.filter(({ own }) => own.length > 0);
}
