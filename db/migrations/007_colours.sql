-- Colours, whole: how standards write their codes and what replaces what; colour data of any completeness; bottles that were learnt;
-- recipes as a record of a brief; what was really used; merged paints.

create table colour_system (
  id uuid primary key,
  version integer not null default 1,
  name text not null unique,
  title text not null,
  shape text not null,
  prefix text not null unique,
  digits integer not null check (digits between 1 and 6)
);

create table code_relation (
  id uuid primary key,
  version integer not null default 1,
  code_id uuid not null references colour_code (id) on delete cascade,
  other_id uuid not null references colour_code (id) on delete cascade,
  kind text not null,
  from_day date,
  to_day date,
  note text not null,
  check (code_id <> other_id),
  check (from_day is null or to_day is null or from_day <= to_day),
  unique (code_id, other_id, kind)
);

alter table colour_code
  add column ground text not null default '',
  add column flop text not null default '';

alter table chip
  add column instrument text not null default '',
  add column batch text not null default '',
  add column left_out boolean not null default false;

alter table paint_line
  add column thinner text not null default '',
  add column thin_ratio double precision check (thin_ratio >= 0),
  add column recoat_min integer check (recoat_min > 0),
  add column mask_min integer check (mask_min > 0),
  add column cure_min integer check (cure_min > 0);

alter table paint
  add column currency text not null default 'EUR',
  add column ground text not null default '',
  add column flop text not null default '',
  add column formerly text[] not null default '{}',
  add column data jsonb;

alter table bottle add column strength double precision not null default 1 check (strength > 0);

-- Drops of paints that make a colour in a brief: what was predicted and, once tried, what was seen.
create table recipe (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  code_id uuid not null references colour_code (id) on delete cascade,
  tone text not null,
  parts jsonb not null,
  predicted double precision[] not null check (array_length(predicted, 1) = 3),
  sd double precision not null check (sd >= 0),
  observed double precision[] check (array_length(observed, 1) = 3),
  observed_sd double precision check (observed_sd >= 0),
  ml double precision check (ml > 0),
  made_on date,
  note text not null
);
create index recipe_of_brief on recipe (brief_id);

alter table colour_choice
  alter column paint_id drop not null,
  add column recipe_id uuid references recipe (id) on delete cascade,
  add check (num_nonnulls(paint_id, recipe_id) = 1);

-- What a job really took, so that the next is reckoned by this builder's hand.
create table paint_use (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  code_id uuid not null references colour_code (id) on delete cascade,
  on_day date not null,
  area_cm2 double precision not null check (area_cm2 > 0),
  coats integer not null check (coats > 0),
  fillings integer not null check (fillings > 0),
  sprayed_ml double precision not null check (sprayed_ml > 0),
  note text not null
);
create index paint_use_of_brief on paint_use (brief_id);

-- What history holds gets the new columns too, so that a change made before can still be taken back.
update change set
  before = before || added.columns,
  after = after || added.columns
from (values
  ('colour_code', '{"ground": "", "flop": ""}'::jsonb),
  ('chip', '{"instrument": "", "batch": "", "left_out": false}'),
  ('paint_line', '{"thinner": "", "thin_ratio": null, "recoat_min": null, "mask_min": null, "cure_min": null}'),
  ('paint', '{"currency": "EUR", "ground": "", "flop": "", "formerly": [], "data": null}'),
  ('bottle', '{"strength": 1}'),
  ('colour_choice', '{"recipe_id": null}')
) as added (entity, columns)
where change.entity = added.entity;
