import { aspectTitle } from '@/core/evidence/aspects';
import { questionInWords } from '@/core/evidence/question-words';
import { titleOfKey } from '@/core/outline/spoken';
import { counted, lowered, plural } from '@/core/units/words';
import type { Fields, RecordName } from './records';

/** What an act is called, from the rows that it changed: "paint for C 417 chosen, Quoin 309". */

/** A record that an act changed: as it stood before, and after. One of them is null where it was added or removed. */
export interface RecordChange {
  entity: RecordName;
  before: Record<string, unknown> | null;
  after: Record<string, unknown> | null;
}

/** What a record is called that is referred to by its identity; empty where nobody knows any more. */
export type NameOf = (id: string) => string;

type Change = 'added' | 'changed' | 'removed';
export const changeOf = ({ before, after }: Pick<RecordChange, 'before' | 'after'>): Change =>
  before === null ? 'added' : after === null ? 'removed' : 'changed';

interface Spoken<N extends RecordName> {
  /** One of them, and what they are called together: "sighting". */
  noun: string;
  /** What this one is called. */
  name?: (fields: Fields<N>, nameOf: NameOf) => string;
  /** The whole saying, where it is no "noun name added". */
  says?: Partial<Record<Change, (fields: Fields<N>, nameOf: NameOf, before: Fields<N> | null) => string>>;
}

const quoted = (text: string) => `“${text}”`;
const title = ({ title: own }: { title: string }) => quoted(own);
const asked = ({ zone, aspect, item }: Fields<'question'>) =>
  lowered(questionInWords({ zoneTitle: titleOfKey(zone), aspectTitle: aspectTitle(aspect, item) }));
const WEEKDAYS = ['', 'Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays'];

/**
 * Every kind of record as it is spoken of. Of an act that touched several kinds the first in this order is what it is called by: a ruling
 * raises questions, a log entry stops a timer.
 */
const SPOKEN: { [N in RecordName]: Spoken<N> } = {
  mishap: { noun: 'mishap', name: ({ cure }) => `cured by ${lowered(cure)}` },
  log_entry: {
    noun: 'log entry',
    name: title,
    says: { added: (entry) => `${title(entry)} done`, removed: (entry) => `log entry ${title(entry)} taken out` },
  },
  work_run: { noun: 'work', name: title },
  ruling: {
    noun: 'ruling',
    name: ({ questionId, value }, nameOf) => `on ${nameOf(questionId)}, ${value}`,
    says: { added: ({ questionId, value }, nameOf) => `${nameOf(questionId)} ruled ${value}` },
  },
  colour_choice: {
    noun: 'choice of paint',
    name: ({ codeId }, nameOf) => `for ${nameOf(codeId)}`,
    says: {
      added: (choice, nameOf) => chosen(choice, nameOf),
      changed: (choice, nameOf, before) =>
        before?.paintId === choice.paintId && before?.recipeId === choice.recipeId
          ? `how ${nameOf(choice.codeId)} is laid changed`
          : chosen(choice, nameOf),
      removed: (choice, nameOf) => `${chosen(choice, nameOf)}: let go`,
    },
  },
  general_coat: {
    noun: 'coat',
    name: ({ role }) => quoted(role),
    says: {
      added: (coat, nameOf) => coatChosen(coat, nameOf),
      changed: (coat, nameOf, before) =>
        before?.paintId !== coat.paintId || before?.zones.join() !== coat.zones.join()
          ? coatChosen(coat, nameOf)
          : `${coat.role} goes on ${coat.way === '' ? 'as general coats do' : `by ${coat.way}`}`,
      removed: ({ role, paintId }, nameOf) => `${role} ${nameOf(paintId)}: let go`,
    },
  },
  brief: { noun: 'brief' },
  airframe: { noun: 'airframe' },
  source: { noun: 'source', name: title },
  sighting: {
    noun: 'sighting',
    name: ({ questionId, sourceId, value }, nameOf) =>
      `${nameOf(questionId)}, ${value}, in ${nameOf(sourceId) || 'a source'}`,
  },
  paint_event: { noun: 'event', name: ({ zone, onDay }) => `on ${lowered(titleOfKey(zone))}, ${onDay}` },
  mirror: { noun: 'word for both sides', name: (own) => asked(own as unknown as Fields<'question'>) },
  zone_day: { noun: 'day of its own', name: ({ zone }) => `for ${lowered(titleOfKey(zone))}` },
  marking: { noun: 'marking', name: title },
  scheme_field: { noun: 'field of the scheme', name: title },
  underlay: { noun: 'drawing', name: ({ view }) => `under the ${view} view` },
  decal_sheet: { noun: 'decal sheet', name: title },
  accepted_plan: { noun: 'plan', says: { added: () => 'plan kept', changed: () => 'plan kept anew' } },
  route_edit: { noun: 'change of the route' },
  weekly_session: {
    noun: 'weekly session',
    name: ({ weekday, startsAt, minutes }) => `${WEEKDAYS[weekday]} ${startsAt} for ${minutes} min`,
  },
  evening: {
    noun: 'session',
    name: ({ onDay, off }) => (off ? `taken off ${onDay}` : `on ${onDay}`),
  },
  timer: {
    noun: 'timer',
    name: ({ label }) => quoted(label),
    says: {
      added: ({ label }) => `timer ${quoted(label)} started`,
      removed: ({ label }) => `timer ${quoted(label)} stopped`,
    },
  },
  spray_out: { noun: 'test piece', name: title },
  part: { noun: 'part', name: ({ sprue, number, name }) => [`${sprue}${number}`, name].filter(Boolean).join(' ') },
  kit_measure: { noun: 'measure', name: title },
  subject: { noun: 'subject', name: title },
  recipe: { noun: 'recipe', name: ({ codeId }, nameOf) => `for ${nameOf(codeId)}` },
  paint_use: { noun: 'record of paint', name: ({ codeId }, nameOf) => `of ${nameOf(codeId)}` },
  house: { noun: 'units', name: ({ units }) => units },
  tool: { noun: 'tool', name: ({ name }) => quoted(name) },
  technique: { noun: 'technique', name: title },
  bottle: {
    noun: 'bottle',
    name: ({ paintId }, nameOf) => `of ${nameOf(paintId)}`,
    says: {
      added: ({ paintId }, nameOf) => `${nameOf(paintId)} put into the drawer`,
      removed: ({ paintId }, nameOf) => `${nameOf(paintId)} taken out of the drawer`,
    },
  },
  paint: { noun: 'paint', name: ({ number, name }) => [number, name].filter(Boolean).join(' ') },
  paint_set: { noun: 'set of paints', name: ({ name, number }) => name || number },
  paint_line: { noun: 'line of paints', name: ({ name }) => name },
  colour_code: { noun: 'code', name: ({ system, code, name }) => [system, code, name].filter(Boolean).join(' ') },
  chip: { noun: 'chip', name: ({ codeId }, nameOf) => `of ${nameOf(codeId)}` },
  code_relation: {
    noun: 'relation of codes',
    name: ({ codeId, otherId }, nameOf) => `${nameOf(codeId)} and ${nameOf(otherId)}`,
  },
  colour_system: { noun: 'standard' },
  question: { noun: 'question', name: asked },
};
export const nounOf = (entity: RecordName): string => SPOKEN[entity].noun;
const RANK = Object.keys(SPOKEN) as RecordName[];

function chosen({ codeId, paintId, recipeId }: Fields<'colour_choice'>, nameOf: NameOf): string {
  const with_ = nameOf(paintId ?? '') || (recipeId ? 'a mixture' : '');
  return `paint for ${nameOf(codeId)} chosen${with_ ? `, ${with_}` : ''}`;
}

function coatChosen({ role, paintId, zones }: Fields<'general_coat'>, nameOf: NameOf): string {
  const on = zones.length > 0 ? ` for ${counted(zones.length, 'zone')}` : '';
  return `${role} chosen${on}, ${nameOf(paintId)}`;
}

/** What a record that others refer to is called in their sentences. `nameOf` knows what it refers to itself. */
export function referredTo(entity: RecordName, fields: Record<string, unknown>, lineName: string): string {
  switch (entity) {
    case 'question':
      return asked(fields as Fields<'question'>);
    case 'colour_code': {
      const { code, name } = fields as Fields<'colour_code'>;
      return name || code;
    }
    case 'paint':
      return `${lineName} ${(fields as Fields<'paint'>).number}`.trim();
    case 'source':
      return quoted((fields as Fields<'source'>).title);
    default:
      return '';
  }
}

/** Records by which others are called, with the fields that refer to them. */
export const REFERENCES = {
  questionId: 'question',
  sourceId: 'source',
  codeId: 'colour_code',
  otherId: 'colour_code',
  paintId: 'paint',
} as const satisfies Record<string, RecordName>;

function spoken({ entity, before, after }: RecordChange): {
  own: Spoken<'source'>;
  fields: Fields<'source'>;
  stood: Fields<'source'> | null;
} {
  // Each kind reads its own fields: the table pairs them, and a union of forty cannot be called.
  return {
    own: SPOKEN[entity] as unknown as Spoken<'source'>,
    fields: (after ?? before) as unknown as Fields<'source'>,
    stood: before as unknown as Fields<'source'> | null,
  };
}

/** One change of a record: "source “Field at dusk” added", "marking “code letters” changed: true height". */
export function changeInWords(change: RecordChange, nameOf: NameOf): string {
  const kind = changeOf(change);
  const { own, fields, stood } = spoken(change);
  const says = own.says?.[kind]?.(fields, nameOf, stood);
  if (says) return says;
  const name = own.name?.(fields, nameOf) ?? '';
  const what = [own.noun, name].filter(Boolean).join(' ');
  if (kind !== 'changed') return `${what} ${kind === 'added' ? 'added' : 'taken out'}`;
  const fieldsChanged = differencesOf(change).map(({ field }) => field);
  const named = fieldsChanged.slice(0, MOST_FIELDS).join(', ');
  const more = fieldsChanged.length - MOST_FIELDS;
  return `${what} changed${named ? `: ${named}` : ''}${more > 0 ? ` and ${more} more` : ''}`;
}
const MOST_FIELDS = 3;

/** How many records of a kind an act changed in one manner. */
export interface ChangeCount {
  entity: RecordName;
  change: Change;
  count: number;
}

/**
 * What a whole act is called. `counts` are of all that it changed; `changes` hold at least one of each kind and manner that stands in them.
 * Empty where it changed nothing.
 */
export function actInWords(counts: readonly ChangeCount[], changes: readonly RecordChange[], nameOf: NameOf): string {
  const [first] = [...counts].sort((a, b) => RANK.indexOf(a.entity) - RANK.indexOf(b.entity));
  if (!first) return '';
  const made = counts.find(({ entity, change }) => entity === 'brief' && change === 'added');
  if (made) return 'this brief begun';
  const { entity, change, count } = first;
  const one = changes.find((own) => own.entity === entity && changeOf(own) === change);
  const rest = counts.reduce((sum, own) => sum + own.count, 0) - count;
  const others = rest > 0 ? `, and ${counted(rest, 'thing')} with it` : '';
  if (count === 1 && one) return `${changeInWords(one, nameOf)}${others}`;
  const verb = change === 'removed' ? 'taken out' : change;
  return `${count} ${plural(SPOKEN[entity].noun, count)} ${verb}${others}`;
}

/** A field that a change touched, in words, and what stood and stands there; empty where there is nothing. */
export interface Difference {
  field: string;
  before: string;
  after: string;
}

/** What a change did, field by field: of one that was added or removed, all that stands in it. */
export function differencesOf({ before, after }: RecordChange, nameOf: NameOf = () => ''): Difference[] {
  const fields = [...new Set([...Object.keys(before ?? {}), ...Object.keys(after ?? {})])];
  return fields.flatMap((field) => {
    if (field === 'id' || field === 'version') return [];
    const [was, is] = [before?.[field], after?.[field]].map((value) => valueInWords(value, nameOf));
    return was === is ? [] : [{ field: fieldInWords(field), before: was!, after: is! }];
  });
}

/** Fields whose name in the record is not what a builder calls them. */
const FIELD_WORDS: Record<string, string> = {
  denominator: 'scale',
  onDay: 'day',
  targetFrom: 'depicts from',
  targetTo: 'depicts to',
  lab: 'colour',
  sd: 'plus or minus',
  mlLeft: 'millilitres left',
  priceCents: 'price in cents',
  preset: 'layout',
};

/** "kitMaker" as "kit maker". */
const fieldInWords = (field: string): string =>
  FIELD_WORDS[field] ?? field.replace(/Id$/, '').replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

const MOST_SIGNS = 160;
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

function valueInWords(value: unknown, nameOf: NameOf): string {
  if (value === null || value === undefined || value === '') return '';
  if (value === true) return 'yes';
  if (value === false) return 'no';
  if (typeof value === 'string') return short(UUID.test(value) ? nameOf(value) || 'another record' : value);
  if (typeof value === 'number') return String(Number(value.toPrecision(8)));
  if (Array.isArray(value)) return short(value.map((item) => valueInWords(item, nameOf)).join(', '));
  return short(
    Object.entries(value as Record<string, unknown>)
      .map(([field, own]) => [fieldInWords(field), valueInWords(own, nameOf)])
      .filter(([, own]) => own !== '')
      .map(([field, own]) => `${field} ${own}`)
      .join('; '),
  );
}
const short = (text: string) => (text.length > MOST_SIGNS ? `${text.slice(0, MOST_SIGNS - 1)}…` : text);
