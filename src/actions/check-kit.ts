import { progressOf } from '@/core/workshop/progress';
import { subjectFaults } from '@/core/kept/check-subjects';
import { meet, type Fields, type RecordName } from '@/core/kept/records';
import { outlineOf, type BriefState } from '@/core/kept/state';
import { whyNot } from '@/core/kit/conflicts';
import { registerFaults } from '@/core/kit/parts';
import { subjectName } from '@/core/kit/subjects';
import { machineOf } from '@/core/outline/presets';
import { paintInFull } from '@/core/paint/catalogue';
import { ROLE_FACTS } from '@/core/paint/coat-roles';
import type { CodeBook } from '@/core/codes/system';
import type { Sight } from '@/data/sight';
import { checkValue } from './check-evidence';
import { Refused } from './answer';
import { bookOf, briefOf, shelfOf } from './brief-of';

/** What one record of the kit alone cannot tell, checked against the rest. */

/** Throws Refused where these options cannot be on this machine, as far as it is built. */
export function checkOptions(
  options: Fields<'brief'>['options'],
  airframe: Pick<Fields<'airframe'>, 'preset' | 'gear'>,
  log: BriefState['log'] = [],
): void {
  const [reason] = whyNot(options, machineOf(airframe), progressOf(log));
  if (reason) throw new Refused('options', `It cannot be: ${reason}.`);
}

/** Answers with the fields as they are kept. */
export async function checkKit(
  at: Sight,
  entity: RecordName,
  id: string | null,
  fields: Fields<RecordName>,
): Promise<Fields<RecordName>> {
  if (!KIT.has(entity)) return fields;
  const state = await briefOf(at);
  switch (entity) {
    case 'brief':
      checkOptions((fields as Fields<'brief'>).options, state.airframe, state.log);
      return fields;
    case 'airframe':
      checkOptions(state.brief.options, fields as Fields<'airframe'>, state.log);
      return fields;
    case 'part': {
      const [part] = checkParts(await bookOf(at), state, [{ ...(fields as Fields<'part'>), id: id ?? 'new' }]);
      const { id: _id, ...kept } = part!;
      return kept;
    }
    case 'general_coat':
      await checkCoat(at, state, id, fields as Fields<'general_coat'>);
      return fields;
    case 'zone_day':
    case 'kit_measure':
      checkZone(state, (fields as Fields<'zone_day'>).zone);
      return fields;
    default: {
      const others = state.subjects.filter((subject) => subject.id !== id);
      const [fault] = subjectFaults([...others, fields as Fields<'subject'>]);
      if (fault) throw new Refused(fault.field, fault.says);
      return named(fields as Fields<'subject'>, others);
    }
  }
}
/** A new subject with the name that its zones and its work get: that of its title, told apart from those that are there. */
function named(fields: Fields<'subject'>, others: BriefState['subjects']): Fields<'subject'> {
  if (fields.name) return fields;
  const wanted = subjectName(fields.title).slice(0, 50);
  const taken = new Set(others.map(({ name }) => name));
  const free = [wanted, ...others.map((_, i) => `${wanted}-${i + 2}`)].find((name) => !taken.has(name));
  return { ...fields, name: free! };
}

const KIT: ReadonlySet<RecordName> = new Set([
  'brief',
  'airframe',
  'part',
  'subject',
  'kit_measure',
  'zone_day',
  'general_coat',
]);

/** A coat has one product in each place, and one that can serve as it. */
async function checkCoat(at: Sight, state: BriefState, id: string | null, coat: Fields<'general_coat'>): Promise<void> {
  const { role, paintId, zones } = coat;
  if (state.coats.some((other) => other.id !== id && meet(coat, other)))
    throw new Refused(
      zones.length > 0 ? 'zones' : 'role',
      `${ROLE_FACTS[role].title}: a product is chosen there already, change that one.`,
    );
  // A zone that went with an option may stay: it comes back with it.
  const known = state.coats.find((own) => own.id === id)?.zones ?? [];
  for (const zone of zones) if (!known.includes(zone)) checkZone(state, zone);
  const paint = (await shelfOf(at)).paints.find((own) => own.id === paintId);
  if (!paint) throw new Refused('paintId', 'This paint is gone from the catalogue.');
  if (!ROLE_FACTS[role].serves(paint))
    throw new Refused('paintId', `${paintInFull(paint)} is no ${ROLE_FACTS[role].title.toLowerCase()}.`);
}

const NO_ZONE = 'Zone: this airframe has none of that name';

function checkZone(state: BriefState, zone: string): void {
  if (zone && !outlineOf(state).zones.some(({ key }) => key === zone)) throw new Refused('zone', NO_ZONE);
}

/**
 * Parts as they are kept, checked against one another and the rest of the register. Those that the register does not hold yet have an id of
 * their own all the same. Throws Refused at the first that cannot be.
 */
export function checkParts<P extends Fields<'part'> & { id: string }>(
  book: CodeBook,
  state: BriefState,
  parts: readonly P[],
): P[] {
  const zones = new Set(outlineOf(state).zones.map(({ key }) => key));
  const own = new Set(parts.map(({ id }) => id));
  const register = [...state.parts.filter(({ id }) => !own.has(id)), ...parts];
  for (const { zone } of parts) if (zone && !zones.has(zone)) throw new Refused('zone', NO_ZONE);
  const mine = registerFaults(register, state.brief.boughtOn).find(({ id }) => own.has(id));
  if (mine) throw new Refused(mine.field, `${mine.says}.`);
  return parts.map((part) => ({
    ...part,
    codes: part.codes.map((code) => checkValue(book, 'colour', code, 'codes').value),
  }));
}
