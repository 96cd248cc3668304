import type { ActAnswer, Stamp } from '@/core/kept/act';
import type { RecordName } from '@/core/kept/records';
import type { UndoAnswer } from '@/core/kept/undo-answer';
import { ChangedElsewhere, InUse, newAct, perform, type ActWriter } from './acts';
import { rows } from './database';
import { dependantsOf } from './dependants';
import type { Row } from './rows';

interface LastAct {
  act: string;
  station: string;
  told: boolean;
}

interface ChangeRow {
  entity: RecordName;
  row_id: string;
  before: Row | null;
  after: Row | null;
}

/** How far back one press looks for something that can be taken back. */
const FURTHEST = 100;

/**
 * Takes back the last act of this person at a brief that can be taken back, by replaying what was before, in reverse order. One that others
 * have built on is explained and passed over; of some stations only, where they are named. The making of the brief is where it ends.
 */
export async function undoLast(
  briefId: string,
  {
    stamp,
    by = stamp?.by ?? 'builder',
    stations = null,
  }: { stamp?: Stamp; by?: string; stations?: readonly string[] | null } = {},
): Promise<ActAnswer<UndoAnswer>> {
  const own = newAct(briefId, 'brief', by);
  return perform({ ...own, ...stamp, undoes: null }, async (writer) => {
    const passed: UndoAnswer['passed'] = [];
    for (const last of await lastActs(writer, briefId, by, stations)) {
      const changes = await changesOf(writer, last.act);
      const [first] = changes;
      if (!first) continue;
      if (changes.some((change) => change.entity === 'brief' && change.before === null)) break;
      const about = { station: last.station, entity: first.entity };
      await writer.client.query('savepoint taking_back');
      const says = await takeBack(writer, changes);
      if (says === null) {
        await writer.client.query('update act set undoes = $2, station = $3 where id = $1', [
          writer.act.id,
          last.act,
          last.station,
        ]);
        return { undone: about, passed };
      }
      await writer.client.query('rollback to savepoint taking_back');
      if (!last.told) passed.push({ ...about, says });
      await writer.client.query('update act set told = true where id = $1', [last.act]);
    }
    return { undone: null, passed };
  });
}

const lastActs = (writer: ActWriter, briefId: string, by: string, stations: readonly string[] | null) =>
  rows<LastAct>(
    writer.client,
    `select a.id as act, a.station, a.told from act a
     where a.brief_id = $1 and a.by = $2 and a.undoes is null and a.id <> $3
       and ($4::text[] is null or a.station = any($4))
       and not exists (select 1 from act u where u.undoes = a.id)
       and exists (select 1 from change c where c.act = a.id)
     order by a.at desc, a.id limit ${FURTHEST}`,
    [briefId, by, writer.act.id, stations],
  );

const changesOf = (writer: ActWriter, act: string) =>
  rows<ChangeRow>(writer.client, 'select entity, row_id, before, after from change where act = $1 order by id desc', [
    act,
  ]);

/** Null when it was taken back; otherwise why it cannot be. */
async function takeBack(writer: ActWriter, changes: readonly ChangeRow[]): Promise<string | null> {
  const mark = writer.mark();
  try {
    for (const { entity, row_id: id, before, after } of changes) {
      const now = await writer.current(entity, id);
      if (!sameContent(now, after)) {
        writer.backTo(mark);
        return now ? `${wordFor(entity)} was changed since.` : `${wordFor(entity)} was removed since.`;
      }
      if (after && before) await writer.overwrite(entity, now!, before);
      else if (!after) await writer.put(entity, [before!]);
      else {
        const standing = await dependantsOf(writer.client, entity, id);
        if (standing.length > 0) {
          writer.backTo(mark);
          return `${wordFor(standing[0]!.entity)} was added to it since.`;
        }
        await writer.drop(entity, now!);
      }
    }
    const against = await writer.contradiction();
    if (against) writer.backTo(mark);
    return against && against.says;
  } catch (error) {
    writer.backTo(mark);
    if (error instanceof InUse) return error.message;
    if (error instanceof ChangedElsewhere) return `${wordFor(error.entity)} was changed since.`;
    // A constraint: what it would bring back refers to something that is gone, or stands there anew.
    if (typeof (error as { code?: unknown }).code === 'string' && (error as { code: string }).code.startsWith('23'))
      return 'What it would bring back no longer fits what stands there.';
    throw error;
  }
}

/** A kind of record as a sentence begins with it. */
const WORDS: Partial<Record<RecordName, string>> = {
  paint_event: 'An event',
  weekly_session: 'A weekly session',
  evening: 'An evening',
  log_entry: 'A log entry',
  work_run: 'A run of work',
  spray_out: 'A test piece',
  colour_system: 'A standard',
  colour_code: 'A colour code',
  code_relation: 'A relation of codes',
  chip: 'A chip',
  paint_line: 'A line of paints',
  paint_set: 'A set of paints',
  colour_choice: 'A choice of paint',
  paint_use: 'A record of paint used',
  airframe: 'The airframe',
  brief: 'The brief',
};
const wordFor = (name: RecordName): string => WORDS[name] ?? `A ${name}`;

function sameContent(a: Row | null, b: Row | null): boolean {
  if (!a || !b) return a === b;
  const plain = ({ version: _, ...rest }: Row) =>
    JSON.stringify(Object.entries(rest).sort(([x], [y]) => x.localeCompare(y)));
  return plain(a) === plain(b);
}
