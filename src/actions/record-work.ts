import { z } from 'zod';
import { STATIONS, WRITABLE } from '@/core/kept/act';
import { airframeFields, briefFields, RECORDS, type Fields, type Kept, type RecordName } from '@/core/kept/records';
import { OPTION_CHOICES, OPTION_NAMES, type OptionName, type Options } from '@/core/kit/options';
import { ChangedElsewhere, readRecord, type ActWriter } from '@/data/acts';
import type { BriefState } from '@/core/kept/state';
import type { Sight } from '@/data/sight';
import { ofBrief, Refused, versioned } from './answer';
import { askWhatCameUp } from './ask-what-came-up';
import { checkEvidence, withOwnReason } from './check-evidence';
import { checkKit, checkOptions } from './check-kit';
import { checkEntry } from './check-log';
import { checkRouteEdit } from './check-route';

/** What acts at single records do, whether they are done or only tried. */

type Writable = (typeof WRITABLE)[number];

export const recordOf = ofBrief.extend({ station: z.enum(STATIONS), entity: z.enum(WRITABLE) });
export const saveOf = recordOf.extend({
  id: z.uuid().nullable(),
  version: z.number().int().nullable(),
  fields: z.record(z.string(), z.unknown()),
});
export const removalOf = recordOf.extend(versioned.shape);
export const setupOf = ofBrief.extend({
  brief: versioned.extend({ fields: briefFields }),
  airframe: versioned.extend({ fields: airframeFields }),
});
export const optionOf = ofBrief.extend({
  version: z.number().int(),
  option: z.enum(OPTION_NAMES as [OptionName, ...OptionName[]]),
  choice: z.string(),
});

/** Creates (id null) or updates a record of a brief. */
export async function saveRecord(
  writer: ActWriter,
  { entity, id, version, fields }: Pick<z.infer<typeof saveOf>, 'entity' | 'id' | 'version' | 'fields'>,
  before: BriefState | null,
): Promise<{ id: string; version: number }> {
  const kept = await checkedFields(writer, entity, id, fields);
  const saved =
    id && version !== null ? await writer.update(entity, id, version, kept) : await writer.insert(entity, kept);
  if (before && entity === 'subject') {
    const others = before.subjects.filter((other) => other.id !== saved.id);
    await askWhatCameUp(writer, before, { ...before, subjects: [...others, saved as Kept<'subject'>] });
  }
  return { id: saved.id, version: saved.version };
}

/** Takes a record away, with what cannot stand without it. */
export async function removeRecord(
  writer: ActWriter,
  { entity, id, version }: Pick<z.infer<typeof removalOf>, 'entity' | 'id' | 'version'>,
): Promise<null> {
  if (entity === 'brief' || entity === 'airframe') throw new Refused('', 'A brief is not removed here.');
  await writer.remove(entity, id, version);
  return null;
}

/** Brief and airframe together. */
export async function saveBoth(
  writer: ActWriter,
  { brief, airframe }: Pick<z.infer<typeof setupOf>, 'brief' | 'airframe'>,
  before: BriefState,
): Promise<null> {
  checkOptions(brief.fields.options, airframe.fields, before.log);
  await writer.update('brief', brief.id, brief.version, brief.fields);
  await writer.update('airframe', airframe.id, airframe.version, airframe.fields);
  await askWhatCameUp(writer, before, {
    ...before,
    brief: { ...before.brief, ...brief.fields },
    airframe: { ...before.airframe, ...airframe.fields },
  });
  return null;
}

/** A choice of an option; answers with how many zones that come into sight by it are asked about, where the brief asks at all. */
export async function takeOption(
  writer: ActWriter,
  { version, option, choice }: Pick<z.infer<typeof optionOf>, 'version' | 'option' | 'choice'>,
  before: BriefState,
): Promise<{ asked: number }> {
  if (!(OPTION_CHOICES[option].choices as readonly string[]).includes(choice))
    throw new Refused('choice', `${OPTION_CHOICES[option].title}: there is no "${choice}"`);
  const options = { ...before.brief.options, [option]: choice } as Options;
  checkOptions(options, before.airframe, before.log);
  await writer.update('brief', before.brief.id, version, { options });
  return { asked: await askWhatCameUp(writer, before, { ...before, brief: { ...before.brief, options } }) };
}

/** A form may hold some fields only: what it does not name stays as it is. */
export async function checkedFields(
  at: Sight,
  entity: Writable,
  id: string | null,
  fields: Record<string, unknown>,
): Promise<never> {
  const standing = id ? await readRecord(at, entity, id) : null;
  if (id && !standing) throw new ChangedElsewhere(entity, id, null);
  const whole = { ...standing, ...fields };
  const ready = entity === 'ruling' ? await withOwnReason(at, whole) : whole;
  return checked(at, entity, id, ready);
}

/** A new marking with the name by which the timeline knows it. */
const named = (entity: Writable, fields: object): object => {
  if (entity !== 'marking') return fields;
  const marking = fields as Fields<'marking'>;
  return { ...marking, name: marking.name || marking.title };
};

/** Fields that are whole, checked by themselves and against the rest of the brief. */
export async function checked(at: Sight, entity: Writable, id: string | null, fields: unknown): Promise<never> {
  const evidence = await checkEvidence(at, entity, id, named(entity, RECORDS[entity].parse(fields)) as never);
  if (entity === 'log_entry') return (await checkEntry(at, evidence as Fields<'log_entry'>)) as never;
  if (entity === 'route_edit') await checkRouteEdit(at, id, evidence as never);
  return (await checkKit(at, entity, id, evidence)) as never;
}

/**
 * Records of which a change can turn what others rest on; of what a source says, only rulings turn; of a ruling or a marking, what lies
 * on the model already.
 */
export const REACH: Partial<Record<RecordName, 'rulings' | 'paint' | 'anything'>> = {
  brief: 'anything',
  airframe: 'anything',
  source: 'anything',
  paint_event: 'anything',
  zone_day: 'anything',
  general_coat: 'anything',
  mirror: 'anything',
  subject: 'anything',
  part: 'anything',
  sighting: 'rulings',
  ruling: 'paint',
  marking: 'paint',
  scheme_field: 'paint',
};
