import type { ActAnswer, Stamp } from '@/core/kept/act';
import type { RecordName } from '@/core/kept/records';
import { nounOf } from '@/core/kept/act-words';
import type { UndoAnswer } from '@/core/kept/undo-answer';
import { lastTakenBack, standingActs, titlesOf, type OpenAct } from './act-list';
import { ChangedElsewhere, InUse, newAct, perform, type ActWriter } from './acts';
import { rows } from './database';
import { dependantsOf } from './dependants';
import type { Row } from './rows';

interface ChangeRow {
  entity: RecordName;
  row_id: string;
  before: Row | null;
  after: Row | null;
}

/** How far back one press looks for something that can be taken back. */
const FURTHEST = 100;

interface Of {
  stamp?: Stamp;
  by?: string;
  /** Acts of these stations only, where they are named. */
  stations?: readonly string[] | null;
}

/**
 * Takes back the last act of this person at a brief that can be taken back, or `only` that one, by replaying what was before, in reverse order.
 * One that others have built on is explained and passed over. The making of the brief is where it ends.
 */
export const undoLast = (
  briefId: string,
  { only, ...of }: Of & { only?: string } = {},
): Promise<ActAnswer<UndoAnswer>> =>
  replayed(briefId, of, async (writer, by) => {
    const acts = await standingActs(writer.client, briefId, by, of.stations ?? null, FURTHEST);
    // What has to be taken back by name may be told again that it cannot be.
    return only ? acts.filter(({ id }) => id === only).map((act) => ({ ...act, told: false })) : acts;
  });

/** Does again what this person took back last at a brief, as long as nothing else was done since. */
export const redoLast = (briefId: string, of: Of = {}): Promise<ActAnswer<UndoAnswer>> =>
  replayed(briefId, of, async (writer, by) => {
    const last = await lastTakenBack(writer.client, briefId, by, of.stations ?? null);
    return last ? [last] : [];
  });

/** Replays backwards the first of some acts that can be, as an act of its own that undoes it. */
async function replayed(
  briefId: string,
  { stamp, by = stamp?.by ?? 'builder' }: Of,
  candidates: (writer: ActWriter, by: string) => Promise<readonly OpenAct[]>,
): Promise<ActAnswer<UndoAnswer>> {
  const own = newAct(briefId, 'brief', by);
  return perform({ ...own, ...stamp, undoes: null }, async (writer) => {
    const passed: UndoAnswer['passed'] = [];
    for (const last of await candidates(writer, by)) {
      const changes = await changesOf(writer, last.id);
      const [first] = changes;
      if (!first) continue;
      if (changes.some((change) => change.entity === 'brief' && change.before === null)) break;
      const title = (await titlesOf(writer.client, [last.names])).get(last.names) ?? '';
      const about = { station: last.station, entity: first.entity, title };
      await writer.client.query('savepoint taking_back');
      const says = await takeBack(writer, changes);
      if (says === null) {
        await writer.client.query('update act set undoes = $2, station = $3 where id = $1', [
          writer.act.id,
          last.id,
          last.station,
        ]);
        return { undone: about, passed };
      }
      await writer.client.query('rollback to savepoint taking_back');
      if (!last.told) passed.push({ ...about, says });
      await writer.client.query('update act set told = true where id = $1', [last.id]);
    }
    return { undone: null, passed };
  });
}

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
function wordFor(name: RecordName): string {
  const noun = nounOf(name);
  return `${/^[aeiou]/.test(noun) ? 'An' : 'A'} ${noun}`;
}

function sameContent(a: Row | null, b: Row | null): boolean {
  if (!a || !b) return a === b;
  const plain = ({ version: _, ...rest }: Row) =>
    JSON.stringify(Object.entries(rest).sort(([x], [y]) => x.localeCompare(y)));
  return plain(a) === plain(b);
}
