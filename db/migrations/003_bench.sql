-- When the builder is at the bench, what was really done, and what is drying.

create table weekly_session (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  weekday integer not null check (weekday between 1 and 7),
  starts_at text not null,
  minutes integer not null check (minutes > 0),
  booth boolean not null
);
create index weekly_session_of_brief on weekly_session (brief_id);

create table log_entry (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  step_key text not null,
  title text not null,
  lane text not null,
  planned_minutes integer,
  actual_minutes integer not null check (actual_minutes > 0),
  started_at timestamptz not null,
  ended_at timestamptz not null,
  note text not null,
  paint text not null,
  check (started_at <= ended_at)
);
create index log_entry_of_brief on log_entry (brief_id);

create table timer (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  step_key text not null,
  label text not null,
  started_at timestamptz not null,
  minutes double precision not null check (minutes > 0)
);
create index timer_of_brief on timer (brief_id);
