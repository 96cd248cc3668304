import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import pg from 'pg';

/**
 * What the demo of an earlier state does not show and its houses held, written into a house by `scripts/make-house.sh` within a checkout of
 * that state: a plan that was accepted, edits of the route, a timer, a mishap. Each only where that state had a table for it. Beside it goes its
 * main brief as that state wrote it into a file (`main-brief.json.gz`).
 */
const client = new pg.Client(process.env.DATABASE_URL);
await client.connect();
const has = async (table: string) => (await client.query('select to_regclass($1) as found', [table])).rows[0].found;
const { rows: briefs } = await client.query<{ id: string }>('select id from brief order by created_at, id');

for (const { id: briefId } of briefs) {
  const { rows: log } = await client.query<{ step_key: string; title: string; ended_at: string }>(
    'select * from log_entry where brief_id = $1 order by ended_at desc',
    [briefId],
  );
  const [last] = log;
  if (!last) continue;
  const ended = Math.floor(Date.parse(last.ended_at) / 60_000);
  if (await has('accepted_plan'))
    await client.query('insert into accepted_plan (id, brief_id, laid) values ($1, $2, $3)', [
      randomUUID(),
      briefId,
      JSON.stringify([
        { key: last.step_key, title: last.title, segments: [[ended - 30, ended]] },
        // A step that no rule makes any more.
        { key: 'varnish-of-old', title: 'Varnish', segments: [[ended + 1440, ended + 1500]] },
      ]),
    ]);
  if (await has('route_edit'))
    for (const [rank, edit] of [
      { kind: 'off', step: 'varnish-of-old' },
      {
        kind: 'add',
        key: 'own:photograph',
        title: 'Photograph',
        work: 'fit',
        lane: 'Whole',
        minutes: 20,
        after: [],
        before: [],
      },
    ].entries())
      await client.query('insert into route_edit (id, brief_id, rank, edit) values ($1, $2, $3, $4)', [
        randomUUID(),
        briefId,
        rank,
        JSON.stringify(edit),
      ]);
  await client.query(
    'insert into timer (id, brief_id, step_key, label, started_at, minutes) values ($1, $2, $3, $4, $5, 60)',
    [randomUUID(), briefId, last.step_key, 'Drying', last.ended_at],
  );
  if (await has('mishap'))
    await client.query(
      `insert into mishap (id, brief_id, kind, zones, cure, down, happened_at, note, picture_id, run)
       values ($1, $2, 'dust', $3, 'Sand it out', null, $4, 'on the wing', null, null)`,
      [randomUUID(), briefId, ['fuselage-port'], last.ended_at],
    );
}
await client.query('update picture set bytes = thumbnail');
const { exportBrief } = (await import('../src/data/brief-files' as string)) as {
  exportBrief: (id: string) => Promise<Record<string, unknown>>;
};
const exported = await exportBrief(briefs[0]!.id);
const file = (exported.file ?? exported) as { pictures: Record<string, string> };
const { rows: pictures } = await client.query<{ id: string; bytes: Buffer }>('select id, bytes from picture');
const named = (exported.pictureIds as string[] | undefined) ?? Object.keys(file.pictures);
file.pictures = Object.fromEntries(
  named.map((id) => [id, pictures.find((picture) => picture.id === id)!.bytes.toString('base64')]),
);
writeFileSync('main-brief.json.gz', gzipSync(JSON.stringify(file), { level: 9 }));
await client.end();
const { closePool } = (await import('../src/data/database' as string)) as { closePool: () => Promise<void> };
await closePool();
