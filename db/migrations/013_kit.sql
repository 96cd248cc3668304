-- The kit: what is in the box, what it is measured against, what the builder owns and does it with, and what else stands on the base.

create table part (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  sprue text not null,
  number text not null,
  name text not null,
  count integer not null check (count between 1 and 500),
  instruction_step text not null,
  zone text not null,
  origin text not null,
  -- The part that this one is used instead of.
  replaces_id uuid references part (id) deferrable initially deferred,
  condition text not null,
  codes text[] not null,
  painted text not null,
  ordered_until date,
  note text not null,
  unique (brief_id, sprue, number),
  check (replaces_id <> id)
);
create index part_of_brief on part (brief_id);

create table kit_measure (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  title text not null,
  of text not null,
  zone text not null,
  true_mm double precision not null check (true_mm > 0),
  measured_mm double precision not null check (measured_mm > 0),
  other_mm double precision check (other_mm > 0),
  note text not null
);
create index kit_measure_of_brief on kit_measure (brief_id);

create table tool (
  id uuid primary key,
  version integer not null default 1,
  kind text not null,
  name text not null,
  needle_mm double precision,
  line_mm double precision,
  film_um double precision,
  waste_ml double precision,
  minutes integer
);

create table subject (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  kind text not null,
  title text not null,
  count integer not null check (count between 1 and 200),
  place text not null,
  role text not null,
  by_gate text not null,
  layers jsonb not null,
  note text not null,
  unique (brief_id, title)
);
create index subject_of_brief on subject (brief_id);

-- A zone that is shown as on another day than the rest, knowingly.
create table zone_day (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  zone text not null,
  from_day date,
  to_day date,
  reason text not null,
  unique (brief_id, zone)
);
create index zone_day_of_brief on zone_day (brief_id);

alter table brief
  add column bought_on date,
  -- Steps that nobody will see the work of, and what is hung where.
  add column left_out text[] not null default '{}',
  add column stores_at jsonb not null default '[]',
  add column rod jsonb;
update change set
  before = before || '{"bought_on": null, "left_out": [], "stores_at": [], "rod": null}',
  after = after || '{"bought_on": null, "left_out": [], "stores_at": [], "rod": null}'
where entity = 'brief';

-- How a colour is brought on; '' is as suggested.
alter table colour_choice add column way text not null default '';
update change set before = before || '{"way": ""}', after = after || '{"way": ""}' where entity = 'colour_choice';

-- Choices that options did not have before are as usual; a rotorcraft stands on its skids, and what cannot be is put right.
create function pg_temp.mended(options jsonb, preset text) returns jsonb language sql as $$
  select '{"state": "parked", "doors": "closed", "sweep": "forward", "blades": "drooping", "crew": "none", "lights": "painted"}'::jsonb
    || options
    || case when preset = 'rotorcraft' and options->>'landing' = 'wheels' then '{"landing": "skids"}'::jsonb else '{}'::jsonb end
    || case when options->>'gear' = 'up' and (options->>'landing' in ('skis', 'floats') or preset in ('high-wing', 'rotorcraft'))
         then '{"gear": "down"}'::jsonb
       when options->>'gear' = 'up' and options->>'stand' = 'its gear' then '{"stand": "a rod"}'::jsonb
       else '{}'::jsonb end
$$;
update brief set options = pg_temp.mended(options, a.preset) from airframe a where a.brief_id = brief.id;
update change set
  before = case when before is not null then jsonb_set(before, '{options}', pg_temp.mended(before->'options', a.preset)) end,
  after = case when after is not null then jsonb_set(after, '{options}', pg_temp.mended(after->'options', a.preset)) end
from airframe a where a.brief_id = change.row_id and change.entity = 'brief';
-- Dimensions that outlines did not have before.
update airframe set dimensions = '{"upperWingStation": 0, "upperWingHeight": 0, "boomSpacing": 0, "boomDiameter": 0}'::jsonb || dimensions;
update change set
  before = case when before is not null then jsonb_set(before, '{dimensions}', '{"upperWingStation": 0, "upperWingHeight": 0, "boomSpacing": 0, "boomDiameter": 0}'::jsonb || (before->'dimensions')) end,
  after = case when after is not null then jsonb_set(after, '{dimensions}', '{"upperWingStation": 0, "upperWingHeight": 0, "boomSpacing": 0, "boomDiameter": 0}'::jsonb || (after->'dimensions')) end
where entity = 'airframe';
