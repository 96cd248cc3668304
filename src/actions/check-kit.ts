import { progressOf } from '@/core/brief/progress';
import { subjectFaults } from '@/core/kept/check-subjects';
import type { Fields, RecordName } from '@/core/kept/records';
import { outlineOf, type BriefState } from '@/core/kept/state';
import { whyNot } from '@/core/kit/conflicts';
import { registerFaults } from '@/core/kit/parts';
import { machineOf } from '@/core/outline/presets';
import { loadBrief } from '@/data/briefs';
import { checkValue } from './check-evidence';
import { Refused } from './answer';

/** What one record of the kit alone cannot tell, checked against the rest. */

/** Throws Refused where these options cannot be on this machine, as far as it is built. */
export function checkOptions(
  options: Fields<'brief'>['options'],
  preset: Fields<'airframe'>['preset'],
  log: BriefState['log'] = [],
): void {
  const [reason] = whyNot(options, machineOf(preset), progressOf(log));
  if (reason) throw new Refused('options', `It cannot be: ${reason}.`);
}

/** Answers with the fields as they are kept. */
export async function checkKit(
  briefId: string,
  entity: RecordName,
  id: string | null,
  fields: Fields<RecordName>,
): Promise<Fields<RecordName>> {
  if (!KIT.has(entity)) return fields;
  const state = await loadBrief(briefId);
  if (!state) throw new Refused('', 'This brief is gone.');
  switch (entity) {
    case 'brief':
      checkOptions((fields as Fields<'brief'>).options, state.airframe.preset, state.log);
      return fields;
    case 'airframe':
      checkOptions(state.brief.options, (fields as Fields<'airframe'>).preset, state.log);
      return fields;
    case 'part':
      return checkPart(state, id, fields as Fields<'part'>);
    case 'zone_day':
    case 'kit_measure':
      checkZone(state, (fields as Fields<'zone_day'>).zone);
      return fields;
    default: {
      const others = state.subjects.filter((subject) => subject.id !== id);
      const [fault] = subjectFaults([...others, fields as Fields<'subject'>]);
      if (fault) throw new Refused('title', fault.says);
      return fields;
    }
  }
}
const KIT: ReadonlySet<RecordName> = new Set(['brief', 'airframe', 'part', 'subject', 'kit_measure', 'zone_day']);

function checkZone(state: BriefState, zone: string): void {
  if (zone && !outlineOf(state).zones.some(({ key }) => key === zone))
    throw new Refused('zone', 'Zone: this airframe has none of that name');
}

async function checkPart(state: BriefState, id: string | null, part: Fields<'part'>): Promise<Fields<'part'>> {
  checkZone(state, part.zone);
  const codes = [];
  for (const code of part.codes) codes.push((await checkValue('colour', code, 'codes')).value);
  const own = { ...part, id: id ?? 'new' };
  const faults = registerFaults([...state.parts.filter((other) => other.id !== id), own], state.brief.boughtOn);
  const mine = faults.find((fault) => fault.id === own.id);
  if (mine) throw new Refused(mine.field, `${mine.says}.`);
  if (part.replacesId && !state.parts.some((other) => other.id === part.replacesId))
    throw new Refused('replacesId', 'The part that it replaces is gone.');
  return { ...part, codes };
}
