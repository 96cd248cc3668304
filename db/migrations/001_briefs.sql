-- One build, what it depicts, and what is known about it. Every row that a user can change carries a version:
-- an update names the version it saw, so that two tabs cannot overwrite one another unseen.

create table brief (
  id uuid primary key,
  version integer not null default 1,
  kit_maker text not null,
  kit_number text not null,
  denominator double precision not null check (denominator > 0),
  options jsonb not null,
  time_zone text not null,
  temp_c double precision not null,
  humidity double precision not null,
  start_on date not null,
  notes text not null default '',
  created_at timestamptz not null default now()
);

create table airframe (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null unique references brief (id) on delete cascade,
  type text not null,
  variant text not null,
  serial text not null,
  code_letters text not null,
  name text not null,
  unit text not null,
  place text not null,
  target_from date,
  target_to date,
  preset text not null,
  dimensions jsonb not null,
  check (target_from is null or target_to is null or target_from <= target_to)
);

-- Pictures are named by the hash of their content and never change; one dump of the database is a whole backup.
create table picture (
  id text primary key,
  media_type text not null,
  width integer not null,
  height integer not null,
  bytes bytea not null,
  thumbnail bytea not null
);

create table source (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  kind text not null,
  title text not null,
  citation text not null,
  date_from date,
  date_to date,
  sides text[] not null,
  derived_from uuid[] not null,
  grade double precision not null check (grade between 0 and 2),
  grade_reason text not null,
  picture_id text references picture (id),
  created_at timestamptz not null default clock_timestamp(),
  check (date_from is null or date_to is null or date_from <= date_to)
);
create index source_of_brief on source (brief_id);

create table question (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  zone text not null,
  aspect text not null,
  created_at timestamptz not null default clock_timestamp(),
  unique (brief_id, zone, aspect)
);

create table sighting (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  question_id uuid not null references question (id) on delete cascade,
  source_id uuid not null references source (id) on delete cascade,
  value text not null,
  sd double precision,
  clarity text not null,
  sense text not null,
  note text not null,
  created_at timestamptz not null default clock_timestamp()
);
create index sighting_of_brief on sighting (brief_id);

create table ruling (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  question_id uuid not null unique references question (id) on delete cascade,
  value text not null,
  basis text not null,
  reason text not null,
  ruled_by text not null
);
create index ruling_of_brief on ruling (brief_id);

create table repaint (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  zone text not null,
  on_day date not null,
  note text not null
);
create index repaint_of_brief on repaint (brief_id);

create table marking (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  kind text not null,
  title text not null,
  zone text not null,
  text text not null,
  height_mm double precision not null check (height_mm > 0),
  printed_mm double precision check (printed_mm > 0),
  method text not null,
  codes text[] not null,
  places jsonb not null,
  created_at timestamptz not null default clock_timestamp()
);
create index marking_of_brief on marking (brief_id);
