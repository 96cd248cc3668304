-- What went wrong, and what was taken into the route for it.
create table mishap (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  kind text not null,
  zones text[] not null,
  cure text not null,
  down text,
  happened_at timestamptz not null,
  note text not null,
  picture_id text references picture (id),
  run jsonb
);
create index mishap_of_brief on mishap (brief_id);
create index mishap_of_picture on mishap (picture_id);

-- Techniques and plans of weathering that were taken into a route.
create table work_run (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  origin text not null,
  title text not null,
  zones text[] not null,
  run jsonb not null
);
create index work_run_of_brief on work_run (brief_id);

-- Test pieces.
create table spray_out (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  title text not null,
  step_key text not null,
  on_day date not null,
  paint text not null,
  chemistry text not null,
  mixed jsonb,
  pressure_bar double precision,
  undercoat text not null,
  result text not null,
  note text not null,
  picture_id text references picture (id)
);
create index spray_out_of_brief on spray_out (brief_id);
create index spray_out_of_picture on spray_out (picture_id);

-- Techniques of the house.
create table technique (
  id uuid primary key,
  version integer not null default 1,
  title text not null unique,
  about text not null,
  surface text not null,
  test_piece text not null,
  steps jsonb not null
);

-- Who did it, and how it was sprayed.
alter table log_entry
  add column who text not null default '',
  add column sprayed jsonb;
update change set before = before || '{"who": "", "sprayed": null}', after = after || '{"who": "", "sprayed": null}'
where entity = 'log_entry';

-- A window that closes, and drying that is forced.
alter table timer
  add column closes_min double precision check (closes_min > 0),
  add column factor double precision not null default 1 check (factor > 0);
update change set before = before || '{"closes_min": null, "factor": 1}', after = after || '{"closes_min": null, "factor": 1}'
where entity = 'timer';
