import { largeCodes, sprayRank } from '@/core/work/spray-order';
import type { RouteCall } from './call';
import type { RouteInput } from './route-input';
import { maskingsOf } from './mask-steps';
import { ASSUMED_COATS } from './general-coats';

/** Light colours first, by the custom. */
export function lightToDark<T extends Pick<RouteCall, 'lab' | 'paint' | 'code' | 'large' | 'way'>>(
  calls: readonly T[],
): T[] {
  const rank = ({ paint, lab, large = false, way }: T) => sprayRank(lab?.[0], paint?.kind === 'metallic', large, way);
  return [...calls].sort((a, b) => rank(b) - rank(a) || a.code.localeCompare(b.code));
}

/** Colours in the order that was chosen; those that it does not name come where they would have come, before the rest. */
export function asChosen<T extends { code: string }>(calls: readonly T[], order: readonly string[]): T[] {
  const placeOf = (call: T) => order.indexOf(call.code);
  const chosen = calls.filter((call) => placeOf(call) >= 0).sort((a, b) => placeOf(a) - placeOf(b));
  const others = calls.filter((call) => placeOf(call) < 0);
  return [...others, ...chosen];
}

/** The calls with what is large among them told apart. */
export function withSize(calls: readonly RouteCall[], { outline }: Pick<RouteInput, 'outline'>): RouteCall[] {
  const big = largeCodes(calls, outline);
  return calls.map((call) => {
    const large = big.has(call.code);
    const bare = large && call.paint?.kind === 'metallic' && !call.ground;
    return { ...call, large, ...(bare ? { ground: ASSUMED_COATS.black.title } : {}) };
  });
}

/** The colours of the airframe in the order in which they are sprayed, with what each masks. */
export function sprayOrder(given: readonly RouteCall[], input: RouteInput) {
  const ordered = asChosen(lightToDark(withSize(given, input)), input.maskOrder ?? []);
  return { ordered, maskings: maskingsOf(ordered, input) };
}
export type SprayOrder = ReturnType<typeof sprayOrder>;
