import { layOver, type Chemistry } from '@/core/paint/chemistry';
import type { Coat } from '@/core/paint/drying';
import type { Load } from '@/core/work/step';
import type { RouteCall } from './call';

/** What a colour call lays, as far as drying and cleaning out go. */

/** What a call is planned with until a paint is chosen. */
export const ASSUMED_CHEMISTRY: Chemistry = 'WA';

export const coatOf = (call: RouteCall): Coat =>
  call.paint ? { chemistry: call.paint.chemistry, dries: call.paint.dries } : { chemistry: ASSUMED_CHEMISTRY };
export const chemistryOf = (call: RouteCall): Chemistry => coatOf(call).chemistry;
export const loadOf = (call: RouteCall): Load => ({
  id: call.code,
  title: `${call.code} ${call.name}`.trim(),
  chemistry: chemistryOf(call),
  dries: coatOf(call).dries,
  kind: call.paint?.kind ?? 'solid',
  lightness: call.lab?.[0] ?? 50,
});

/** What a ground that nobody chose is planned as, the mildest first. */
const GROUNDS: readonly Chemistry[] = ['WA', 'SA', 'AL', 'EN'];

/** The chemistry of a ground that nobody chose: one that bears what goes over it, and is borne by all that it lies on. */
export const groundFor = (over: Chemistry, under: readonly Chemistry[]): Chemistry =>
  GROUNDS.find(
    (own) => layOver(over, own).verdict === 'ok' && under.every((each) => layOver(own, each).verdict === 'ok'),
  ) ??
  GROUNDS.find((own) => layOver(over, own).verdict === 'ok') ??
  ASSUMED_CHEMISTRY;
