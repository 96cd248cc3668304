-- Fields of colour, drawn in a view and laid on the skin over what lies there already.
create table scheme_field (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  title text not null,
  code text not null,
  shape jsonb not null,
  mirrored boolean not null,
  kept_to text[] not null,
  edge text not null,
  soft_mm double precision not null check (soft_mm >= 0),
  rank integer not null
);
create index scheme_field_of_brief on scheme_field (brief_id);

-- A drawing of the builder's own under a view, scaled by a known length.
create table underlay (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  view text not null,
  picture_id text not null references picture (id),
  -- Two points of the picture, as shares of its breadth and height, and the stations and offsets that they show.
  from_point jsonb not null,
  to_point jsonb not null,
  unique (brief_id, view)
);
create index underlay_of_brief on underlay (brief_id);
create index underlay_of_picture on underlay (picture_id);

-- Decal sheets of the house, with what is on them.
create table decal_sheet (
  id uuid primary key,
  version integer not null default 1,
  title text not null unique,
  denominator integer not null check (denominator >= 1),
  printed_on integer,
  film_um double precision,
  condition text not null,
  note text not null,
  items jsonb not null
);

-- What a marking is made of, how many of it there are, and the sheet that it comes from.
alter table marking
  add column design jsonb not null default '{}',
  add column sheet_id uuid references decal_sheet (id),
  add column sheet_item text not null default '';
create index marking_of_sheet on marking (sheet_id);

-- The fuselage and the edges of zones as this machine has them; null as the outline begins.
alter table airframe
  add column profile jsonb,
  add column edges jsonb;

-- The order of spraying that was chosen; empty for that of least masking.
alter table brief add column mask_order text[] not null default '{}';

update change set
  before = before || '{"design": {}, "sheet_id": null, "sheet_item": ""}',
  after = after || '{"design": {}, "sheet_id": null, "sheet_item": ""}'
where entity = 'marking';
update change set before = before || '{"profile": null, "edges": null}', after = after || '{"profile": null, "edges": null}'
where entity = 'airframe';
update change set before = before || '{"mask_order": []}', after = after || '{"mask_order": []}' where entity = 'brief';
