import type { BriefSummary } from '@/core/kept/state';
import { pool, rows } from './database';
import { SHELF, type Revision, type Revisions } from './revisions';
import { fromRow, type Row } from './rows';

/** The list of briefs: one query, however many there are. What is open in each is reckoned elsewhere and kept with what it was reckoned from. */

/** A brief of the list, with what was open in it when that was reckoned last; `isOpenSure` where nothing changed since. */
export interface BriefWithFigure extends BriefSummary {
  open: number | null;
  isOpenSure: boolean;
}

/** What the open things of a brief are reckoned from: its own revision, and how codes are written. */
export const reckonedFrom = ({ brief, shelf: { kinds } }: Revisions): string =>
  `${brief.number} ${kinds.colour_system ?? 0} ${kinds.colour_code ?? 0}`;

export async function listBriefs(): Promise<BriefWithFigure[]> {
  const found = await rows<{
    id: string;
    title: string;
    version: number;
    airframe: Row;
    denominator: number;
    kit: string;
    done: number;
    open: number | null;
    reckoned: string | null;
    brief: Revision;
    shelf: Revision;
  }>(
    pool(),
    `select b.id, b.title, b.version, to_jsonb(a) as airframe, b.denominator, trim(b.kit_maker || ' ' || b.kit_number) as kit,
            coalesce(l.done, 0) as done, f.open, f.reckoned_from as reckoned, to_jsonb(r) as brief, to_jsonb(s) as shelf
     from brief b join airframe a on a.brief_id = b.id
     left join (select brief_id, count(distinct step_key)::int as done from log_entry where not again group by brief_id) l
       on l.brief_id = b.id
     left join brief_figure f on f.brief_id = b.id
     join revision r on r.of = b.id
     join revision s on s.of = $1
     where not exists (select 1 from removed_brief g where g.brief_id = b.id)
     order by b.created_at, b.id`,
    [SHELF],
  );
  return found.map(({ id, title, version, airframe, denominator, kit, done, open, reckoned, brief, shelf }) => ({
    id,
    title,
    version,
    airframe: fromRow('airframe', airframe),
    denominator,
    kit,
    stepsDone: done,
    open,
    isOpenSure: reckoned === reckonedFrom({ brief, shelf }),
  }));
}

/** Whether no brief was ever made here, or all are gone for good. */
export const isEmptyHouse = async (): Promise<boolean> =>
  (await rows(pool(), 'select 1 from brief limit 1')).length === 0;

/** Keeps how much is open in a brief. `reckonedFrom` names the state of brief and shelf that it follows from. */
export async function keepOpen(briefId: string, reckonedFrom: string, open: number): Promise<void> {
  await rows(
    pool(),
    `insert into brief_figure (brief_id, reckoned_from, open) select id, $2, $3 from brief where id = $1
     on conflict (brief_id) do update set reckoned_from = excluded.reckoned_from, open = excluded.open`,
    [briefId, reckonedFrom, open],
  );
}
