import { pool, rows } from './database';

/** Each plan that was accepted: when, and on which instant it ended the build. In the order in which they were accepted. */
export const finishDrift = (briefId: string): Promise<{ at: string; finish: string }[]> =>
  rows<{ at: string; finish: string }>(
    pool(),
    `select a.at, to_timestamp(60 * max((segment->>1)::bigint)) as finish
     from change c
     join act a on a.id = c.act
     cross join jsonb_array_elements(c.after->'laid') as one
     cross join jsonb_array_elements(one->'segments') as segment
     where a.brief_id = $1 and c.entity = 'accepted_plan' and c.after is not null
     group by c.id, a.at order by a.at, c.id`,
    [briefId],
  );
