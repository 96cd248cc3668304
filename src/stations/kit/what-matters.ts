import { counted, plural } from '@/core/units/words';
import type { KitPage } from './page-data';

/** The part that holds up work soonest, else what is to be known of the choices; null where nothing is but, perhaps, an option to decide. */
export function whatMatters({ parts, said }: KitPage): string | null {
  const bad = parts.filter(({ work, holdsUp }) => work.length > 0 && holdsUp !== '');
  const [first] = bad;
  if (first)
    return `${counted(bad.length, 'part')} ${plural('needs', bad.length)} work first: ${first.called} ${first.name} holds up ${first.holdsUp}.`;
  if (said[0]) return `Know this of your choices: ${said[0]}.`;
  return parts.length === 0
    ? 'Look into the box: say which parts are there and how they are, such as "sprue C: 1-24 sound".'
    : null;
}
