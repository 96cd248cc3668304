import { randomUUID } from 'node:crypto';
import type { PoolClient } from 'pg';
import { clockShiftMs } from '@/clock/now';
import type { ActAnswer, ActStation, ChangedRow, Stamp } from '@/core/kept/act';
import { contradictionsIn, readToContradict, type Contradiction } from '@/core/kept/contradictions';
import { MOST_CHIPS, MOST_RECORDS } from '@/core/kept/most';
import type { Fields, Kept, RecordName } from '@/core/kept/records';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { KINDS, listsOf, type ListName } from './brief-records';
import { inTransaction, rows, type Client } from './database';
import { dependantsOf } from './dependants';
import { UsersElsewhere } from './in-use';
import { bareCodes } from './kept-codes';
import { knownAt, remember, shelfKnownAt } from './known';
import { loadSince, readAnew, type LoadedBrief } from './read-brief';
import { isRemoved } from './removed-briefs';
import type { Sight } from './sight';
import { bumpRevision, holdRevision, lockRevision, revisionOf, SHELF, shelfRevision } from './revisions';
import { loadShelf, loadShelfSince } from './shelf';
import { briefOfRow, columnsOf, fromRow, isShared, toRow, type Row } from './rows';

/** The one way to write: an act is applied once, in one transaction, with the history of every row that it touches. */

/** Who does what, where. */
export interface Act {
  id: string;
  briefId: string | null;
  by: string;
  station: string;
  /** By the device's clock. */
  at: string | null;
  seen: number | null;
  undoes: string | null;
}

/** An act of the house itself, or of a test: nobody's device named it. */
export const newAct = (briefId: string | null, station: string, by = 'builder'): Act => ({
  id: randomUUID(),
  briefId,
  by,
  station,
  at: null,
  seen: null,
  undoes: null,
});

export const stampedAct = (stamp: Stamp, briefId: string | null, station: ActStation | 'import'): Act => ({
  ...stamp,
  briefId,
  station,
  undoes: null,
});

/** An update or removal of a row that was changed since it was read. `theirs` is null when it is gone. */
export class ChangedElsewhere extends Error {
  constructor(
    readonly entity: RecordName,
    readonly rowId: string,
    readonly theirs: ({ id: string; version: number } & Record<string, unknown>) | null,
  ) {
    super(theirs ? 'changed elsewhere' : 'removed elsewhere');
  }
}

/** What is asked for cannot be done as things stand; its message says why, and nothing was changed. */
export class CannotBeDone extends Error {}

/** A row that cannot be removed under those who use it. */
export class InUse extends CannotBeDone {
  constructor(
    readonly what: string,
    /** In words: briefs, or records of this one. */
    readonly users: readonly string[],
  ) {
    super(`${what} is used by ${users.join(' and ')}: let go of it there first.`);
  }
}

/** An act of that name was done already, and it was another: at another brief, or at another moment. */
class NamedTwice extends CannotBeDone {
  constructor() {
    super('Another act has its name already: it is kept aside, and nothing was changed.');
  }
}

/** The brief lies on the shelf of removed ones: nothing is done at it before it is put back. */
export class LiesRemoved extends CannotBeDone {
  constructor() {
    super('This brief was removed: put it back first, from the shelf of removed briefs.');
  }
}

/** What an act would leave behind contradicts itself, or is more than a brief can hold: nothing of it is done. */
export class Contradicts extends Error {
  constructor(
    readonly field: string,
    says: string,
  ) {
    super(says);
  }
}

/** Changed rows that an answer names; more than these are fetched anew. */
const MOST_NAMED = 200;
const MOST_TRIES = 4;
/** The transaction stood in the way of another, or lost a race that it would win alone. */
const AGAIN = new Set(['40P01', '40001']);

/**
 * Does `work` as one act. The same act arriving again, at the same moment or later, changes nothing and answers as it did at first.
 * Throws what `work` throws, Contradicts, and NamedTwice; nothing is changed then.
 */
export async function perform<T>(act: Act, work: (writer: ActWriter) => Promise<T>): Promise<ActAnswer<T>> {
  for (let tries = 1; ; tries += 1) {
    try {
      const { answer, known } = await inTransaction((client) => doneIn(client, act, work));
      if (known) remember(act.briefId!, known);
      return answer;
    } catch (error) {
      if (tries === MOST_TRIES || !AGAIN.has((error as { code?: string }).code ?? '')) throw error;
    }
  }
}

/** The same within a transaction that is under way. */
export const performIn = async <T>(
  client: PoolClient,
  act: Act,
  work: (writer: ActWriter) => Promise<T>,
): Promise<ActAnswer<T>> => (await doneIn(client, act, work)).answer;

/** `known`: the brief as the act left it, where all of it was read. */
async function doneIn<T>(
  client: PoolClient,
  act: Act,
  work: (writer: ActWriter) => Promise<T>,
): Promise<{ answer: ActAnswer<T>; known: LoadedBrief | null }> {
  const [fresh] = await rows(
    client,
    `insert into act (id, brief_id, by, station, device_at, seen, undoes) values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (id) do nothing returning 1`,
    [act.id, act.briefId, act.by, act.station, act.at, act.seen, act.undoes],
  );
  if (!fresh) return { answer: await answerOf<T>(client, act), known: null };
  if (act.briefId) {
    await lockRevision(client, act.briefId);
    if (await isRemoved(client, act.briefId)) throw new LiesRemoved();
  }
  const writer = new ActWriter(client, act);
  const value = await work(writer);
  const answer = await writer.finish(value);
  // Acts are told and taken back in the order in which they were applied, not in that in which they came to wait.
  await client.query("update act set answer = $2, at = clock_timestamp() + $3 * interval '1 ms' where id = $1", [
    act.id,
    JSON.stringify(answer),
    clockShiftMs(),
  ]);
  return { answer, known: writer.known(answer.revision) };
}

async function answerOf<T>(client: Client, { id, briefId, at }: Act): Promise<ActAnswer<T>> {
  const [found] = await rows<{ answer: ActAnswer<T>; brief: string | null; at: string | null }>(
    client,
    'select answer, brief_id as brief, device_at as at from act where id = $1',
    [id],
  );
  // What has to make its brief first names another one each time.
  const isSame = found!.at === at && (found!.brief === briefId || found!.answer.value === found!.brief);
  if (!isSame) throw new NamedTwice();
  return found!.answer;
}

interface Change {
  entity: RecordName;
  id: string;
  before: Row | null;
  after: Row | null;
}

const HISTORY_AT_ONCE = 2000;

/** Writes the rows of one act, and their history. */
export class ActWriter {
  private changes: Change[] = [];
  private touched = new Map<string, Change>();
  /** Each row as it stood before the act. */
  private stood = new Map<string, Change>();
  /** What all share, and each brief, with the kinds of record that were changed there. */
  private scopes = new Map<string, Set<RecordName>>();
  private readonly elsewhere: UsersElsewhere;
  private readingsKept = false;
  private isShelfHeld = false;
  /** The brief as it was read within the act, and the kinds that were written since. */
  private read: LoadedBrief | null = null;
  private unread = new Set<RecordName>();

  constructor(
    readonly client: PoolClient,
    readonly act: Act,
  ) {
    this.elsewhere = new UsersElsewhere(client, act.briefId);
  }

  /** The brief that the act is done at. Throws where it is done at none. */
  get briefId(): string {
    if (this.act.briefId === null) throw new Error('this act is done at no brief');
    return this.act.briefId;
  }

  /** The brief as it stands now, with what the act wrote already: of what is known of it only what changed since is read. */
  async brief(): Promise<BriefState | null> {
    if (!this.read) {
      const revision = await revisionOf(this.client, this.briefId);
      if (!revision) return null;
      this.read = await loadSince(this.client, this.briefId, revision, knownAt(this.briefId, revision.number));
    }
    const names = (Object.keys(KINDS) as ListName[]).filter((name) => this.unread.has(KINDS[name][0]));
    this.unread.clear();
    this.read = await readAnew(this.client, this.briefId, this.read, names);
    return this.read.state.brief ? this.read.state : null;
  }

  /** The brief as the act leaves it, at its new revision; null where it did not read all of it, or wrote since. */
  known(number: number | null): LoadedBrief | null {
    if (!this.read || this.unread.size > 0 || number === null) return null;
    const own = [...(this.scopes.get(this.briefId) ?? [])].map((kind) => [kind, number]);
    return {
      state: this.read.state,
      revision: { number, kinds: { ...this.read.revision.kinds, ...Object.fromEntries(own) } },
    };
  }

  /** The shelf. What is read of it from here on stays so until the act is done: nobody changes it under what was checked against it. */
  async shelf(): Promise<ColourShelf> {
    // What the act itself wrote there has no revision yet.
    if (this.scopes.has(SHELF)) return loadShelf(this.client);
    if (!this.isShelfHeld) await holdRevision(this.client, SHELF);
    this.isShelfHeld = true;
    const revision = await shelfRevision(this.client);
    return (await loadShelfSince(this.client, revision, shelfKnownAt(revision.number))).shelf;
  }

  async insert<N extends RecordName>(name: N, fields: Fields<N>, id: string = randomUUID()): Promise<Kept<N>> {
    const [row] = await this.put(name, [this.whole(name, fields, id)]);
    return fromRow(name, row!);
  }

  /** Many records of one kind in one statement. Answers with their ids in the order of the records. */
  async insertMany<N extends RecordName>(
    name: N,
    records: readonly Fields<N>[],
    ids: readonly string[] = records.map(() => randomUUID()),
  ): Promise<readonly string[]> {
    await this.put(
      name,
      records.map((fields, i) => this.whole(name, fields, ids[i]!)),
    );
    return ids;
  }

  /** Throws ChangedElsewhere unless the row still has `version`. */
  async update<N extends RecordName>(
    name: N,
    id: string,
    version: number,
    fields: Partial<Fields<N>>,
    { ofAnyBrief = false }: { ofAnyBrief?: boolean } = {},
  ): Promise<Kept<N>> {
    const before = await this.standing(name, id, version, ofAnyBrief);
    return fromRow(name, await this.overwrite(name, before, toRow(fields)));
  }

  /**
   * Removes a row, and by name what cannot stand without it. Throws ChangedElsewhere unless the row still has `version`, and InUse where
   * another brief uses it.
   */
  async remove(name: RecordName, id: string, version: number): Promise<void> {
    await this.drop(name, await this.standing(name, id, version, false));
  }

  private async standing(name: RecordName, id: string, version: number, ofAnyBrief: boolean): Promise<Row> {
    if (isShared(name)) await this.reach(SHELF);
    const before = await this.current(name, id);
    if (!before || (!ofAnyBrief && this.isOutside(name, before))) throw new ChangedElsewhere(name, id, null);
    if (before.version !== version) throw new ChangedElsewhere(name, id, fromRow(name, before));
    return before;
  }

  /** A row of another brief is as good as none. */
  private isOutside(name: RecordName, row: Row): boolean {
    const brief = briefOfRow(name, row);
    return this.act.briefId !== null && brief !== null && brief !== this.act.briefId;
  }

  private whole(name: RecordName, fields: object, id: string): Row {
    return {
      ...toRow(fields),
      id,
      version: 1,
      ...(isShared(name) || name === 'brief' ? {} : { brief_id: this.act.briefId }),
    };
  }

  /** The row as it stands, kept from changing until the act is done; null when it is gone. */
  async current(name: RecordName, id: string): Promise<Row | null> {
    const [found] = await rows<{ row: Row }>(
      this.client,
      `select to_jsonb(t) as row from ${name} t where id = $1 for update`,
      [id],
    );
    return found?.row ?? null;
  }

  /** Writes whole rows as they are given. */
  async put(name: RecordName, whole: readonly Row[]): Promise<Row[]> {
    if (whole.length === 0) return [];
    if (isShared(name)) await this.reach(SHELF);
    if (name === 'colour_system' || name === 'colour_code') await this.keepReadings();
    const columns = Object.keys(whole[0]!).filter((column) => /^[a-z_0-9]+$/.test(column));
    const made = await rows<{ row: Row }>(
      this.client,
      `insert into ${name} as t (${columns.join(', ')})
       select ${columns.join(', ')} from jsonb_populate_recordset(null::${name}, $1::jsonb)
       returning to_jsonb(t) as row`,
      [JSON.stringify(whole)],
    );
    for (const { row } of made) await this.record(name, null, row);
    return made.map(({ row }) => row);
  }

  /** What briefs say bare of a system is kept as it reads now, before another standard or code could read it anew. */
  async keepReadings(): Promise<void> {
    if (this.readingsKept) return;
    this.readingsKept = true;
    for (const { entity, id, version, value } of await bareCodes(this.client))
      await this.update(entity, id, version, { value }, { ofAnyBrief: true });
  }

  async overwrite(name: RecordName, before: Row, changes: Row): Promise<Row> {
    const columns = columnsOf(name);
    const [after] = await rows<{ row: Row }>(
      this.client,
      `update ${name} as t
       set (${columns.join(', ')}, version) =
           (select ${columns.map((column) => `p.${column}`).join(', ')}, t.version + 1 from jsonb_populate_record(t, $2::jsonb) as p)
       where id = $1
       returning to_jsonb(t) as row`,
      [
        before.id,
        JSON.stringify(Object.fromEntries(Object.entries(changes).filter(([column]) => columns.includes(column)))),
      ],
    );
    await this.record(name, before, after!.row);
    return after!.row;
  }

  /** Removes a row and what cannot stand without it, unless somebody uses it. */
  async drop(name: RecordName, before: Row): Promise<void> {
    const users = await this.elsewhere.of(name, before);
    if (users) throw new InUse(users.what, users.users);
    for (const { entity, row } of await dependantsOf(this.client, name, before.id as string))
      await this.drop(entity, row);
    const { rowCount } = await this.client.query(`delete from ${name} where id = $1`, [before.id]);
    // It fell already, with something else that was removed in this act.
    if (rowCount === 0) return;
    await this.record(name, before, null);
  }

  private async record(entity: RecordName, before: Row | null, after: Row | null) {
    const row = (after ?? before)!;
    const change = { entity, id: row.id as string, before, after };
    this.changes.push(change);
    const name = `${entity} ${change.id}`;
    this.touched.set(name, change);
    if (!this.stood.has(name)) this.stood.set(name, change);
    const scope = briefOfRow(entity, row) ?? SHELF;
    if (scope === this.act.briefId) this.unread.add(entity);
    this.scopes.set(scope, (this.scopes.get(scope) ?? new Set()).add(entity));
    if (this.changes.length >= HISTORY_AT_ONCE) await this.flush();
  }

  private async flush() {
    if (this.changes.length === 0) return;
    const written = this.changes;
    this.changes = [];
    await this.client.query(
      `insert into change (act, entity, row_id, before, after)
       select $1, entity, id, nullif(before, 'null'::jsonb), nullif(after, 'null'::jsonb)
       from jsonb_to_recordset($2::jsonb) as c (place int, entity text, id uuid, before jsonb, after jsonb) order by place`,
      [this.act.id, JSON.stringify(written.map((change, place) => ({ ...change, place })))],
    );
  }

  /** What was done up to here, for going back to a savepoint of the database. */
  mark(): {
    changes: readonly Change[];
    touched: ReadonlyMap<string, Change>;
    stood: ReadonlyMap<string, Change>;
    scopes: ReadonlyMap<string, Set<RecordName>>;
  } {
    const scopes = new Map([...this.scopes].map(([of, kinds]) => [of, new Set(kinds)]));
    return { changes: [...this.changes], touched: new Map(this.touched), stood: new Map(this.stood), scopes };
  }

  backTo(mark: ReturnType<ActWriter['mark']>) {
    // What was written since is no more: it is read again.
    for (const kind of this.scopes.get(this.act.briefId ?? SHELF) ?? []) this.unread.add(kind);
    this.changes = [...mark.changes];
    this.touched = new Map(mark.touched);
    this.stood = new Map(mark.stood);
    this.scopes = new Map(mark.scopes);
  }

  /** All that share a scope take turns. */
  private async reach(of: string) {
    if (this.scopes.has(of)) return;
    this.scopes.set(of, new Set());
    await lockRevision(this.client, of);
  }

  /** What the brief says against itself by what was written here, and did not before; null where it is sound. */
  async contradiction(): Promise<Contradiction | null> {
    const { briefId } = this.act;
    if (!briefId) return null;
    const changes = [...this.stood.values()].filter((change) => this.scopeOf(change) === briefId);
    const kinds = new Set(changes.map(({ entity }) => entity));
    const lists = readToContradict(kinds);
    if (lists.length > 0) {
      const after = (await listsOf(this.client, briefId, lists)) as Partial<BriefState>;
      const found = contradictionsIn(after, kinds);
      if (found.length > 0) {
        // What stood there before the act is not its doing: an old house may be mended bit by bit.
        const known = new Set(contradictionsIn(withoutChanges(after, changes), kinds).map(({ says }) => says));
        const own = found.find(({ says }) => !known.has(says));
        if (own) return own;
      }
    }
    return this.beyondMost();
  }

  private scopeOf = ({ entity, before, after }: Change) => briefOfRow(entity, (after ?? before)!) ?? SHELF;

  /** More of a kind than one brief, or one code, can hold. */
  private async beyondMost(): Promise<Contradiction | null> {
    const added = [...this.stood.values()].filter(({ before }) => before === null);
    const kinds = [...new Set(added.map(({ entity }) => entity))];
    for (const [list, most] of Object.entries(MOST_RECORDS)) {
      const [kind] = KINDS[list as ListName];
      if (!kinds.includes(kind)) continue;
      const [{ count } = { count: 0 }] = await rows<{ count: number }>(
        this.client,
        `select count(*)::int as count from ${kind} where brief_id = $1`,
        [this.briefId],
      );
      if (count > most)
        return { field: '', says: `A brief holds at most ${most} of this kind: ${count} would stand in it.` };
    }
    const codes = added.flatMap(({ entity, after }) => (entity === 'chip' ? [after!.code_id] : []));
    const full =
      codes.length > 0 &&
      (await rows(
        this.client,
        'select 1 from chip where code_id = any($1) group by code_id having count(*) > $2 limit 1',
        [codes, MOST_CHIPS],
      ));
    return full && full.length > 0 ? { field: '', says: `A code has at most ${MOST_CHIPS} chips.` } : null;
  }

  async finish<T>(value: T): Promise<ActAnswer<T>> {
    await this.flush();
    const against = await this.contradiction();
    if (against) throw new Contradicts(against.field, against.says);
    const { briefId } = this.act;
    const bumped = new Map<string, number>();
    for (const [of, kinds] of [...this.scopes].sort(([a], [b]) => a.localeCompare(b))) {
      if (kinds.size === 0) continue;
      if (of !== briefId && of !== SHELF) await lockRevision(this.client, of);
      bumped.set(of, await bumpRevision(this.client, of, [...kinds]));
    }
    const changed = [...this.touched.values()];
    return {
      value,
      revision: briefId ? (bumped.get(briefId) ?? (await revisionOf(this.client, briefId))?.number ?? 0) : null,
      shelfRevision: bumped.get(SHELF) ?? (await shelfRevision(this.client)).number,
      rows:
        changed.length > MOST_NAMED
          ? null
          : changed.map(({ entity, id, after }): ChangedRow => ({ entity, id, row: after && fromRow(entity, after) })),
    };
  }
}

/** Lists of a brief as they were before some rows of them were changed. */
function withoutChanges(state: Partial<BriefState>, changes: readonly Change[]): Partial<BriefState> {
  return Object.fromEntries(
    Object.entries(state).map(([name, kept]) => {
      const [kind] = KINDS[name as ListName];
      const own = new Map(changes.flatMap((change) => (change.entity === kind ? [[change.id, change] as const] : [])));
      const former = [...own.values()].flatMap(({ before }) => (before ? [fromRow(kind, before)] : []));
      if (!Array.isArray(kept)) return [name, former[0] ?? kept];
      return [name, [...(kept as { id: string }[]).filter(({ id }) => !own.has(id)), ...former]];
    }),
  );
}

/** The fields of a record of a brief as they stand; null when it is gone or another brief's. */
export async function readRecord<N extends RecordName>(
  { client, briefId }: Sight,
  name: N,
  id: string,
): Promise<Fields<N> | null> {
  const [found] = await rows<{ row: Row }>(client, `select to_jsonb(t) as row from ${name} t where id = $1`, [id]);
  const owner = found && briefOfRow(name, found.row);
  if (!found || (owner !== null && owner !== briefId)) return null;
  const { id: _, version: __, ...fields } = fromRow(name, found.row) as { id: string; version: number };
  return fields as Fields<N>;
}
