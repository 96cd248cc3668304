import type { CallView } from '@/core/derive/called';
import type { MarkingMethod } from '@/core/markings/kinds';
import type { Outline } from '@/core/outline/outline';
import { spokenZones } from '@/core/outline/spoken';
import { listed } from '@/core/units/words';

/** How a marking is made, as one says of it. */
const MADE: Readonly<Record<MarkingMethod, string>> = {
  decal: 'from its sheet',
  mask: 'masked',
  brush: 'brushed',
  pen: 'penned',
  'own decal': 'printed',
  'dry transfer': 'rubbed down',
};

/** "Fuselage band (masked)", for each marking that has a colour. */
export const markingsOfCall = ({ markings }: Pick<CallView, 'markings'>): string[] =>
  markings.map(({ title, method }) => `${title} (${MADE[method]})`);

/** "handle (cockpit)", for each thing of its own that has a colour. */
export const itemsOfCall = ({ zones }: Pick<Outline, 'zones'>, { items }: Pick<CallView, 'items'>): string[] =>
  items.map(({ zone, item }) => `${item} (${spokenZones(zones, [zone])})`);

/** Where a colour goes, as one says it: zones, and the markings that have it. */
export function calledWhere(
  { zones }: Pick<Outline, 'zones'>,
  call: Pick<CallView, 'zones' | 'markings' | 'items' | 'further'>,
): string {
  const skin = call.zones.length > 0 ? [spokenZones(zones, call.zones)] : [];
  const further = call.further.length > 0 ? [`a further coat on ${spokenZones(zones, call.further)}`] : [];
  return listed([...skin, ...markingsOfCall(call), ...itemsOfCall({ zones }, call), ...further]);
}
