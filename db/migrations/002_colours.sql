-- Official colours and the paints that can be had: shared by all briefs of this house.

create table colour_code (
  id uuid primary key,
  version integer not null default 1,
  system text not null,
  code text not null unique,
  name text not null,
  finish text not null,
  kind text not null
);

create table chip (
  id uuid primary key,
  version integer not null default 1,
  code_id uuid not null references colour_code (id) on delete cascade,
  lab double precision[] not null check (array_length(lab, 1) = 3),
  origin text not null,
  sd double precision not null check (sd >= 0),
  note text not null
);
create index chip_of_code on chip (code_id);

create table paint_line (
  id uuid primary key,
  version integer not null default 1,
  name text not null unique,
  chemistry text not null
);

create table paint (
  id uuid primary key,
  version integer not null default 1,
  line_id uuid not null references paint_line (id) on delete cascade,
  number text not null,
  name text not null,
  kind text not null,
  finish text not null,
  opacity text not null,
  lab double precision[] check (array_length(lab, 1) = 3),
  sd double precision not null check (sd >= 0),
  size_ml double precision not null,
  price_cents integer not null,
  claims text[] not null,
  unique (line_id, number)
);

create table bottle (
  id uuid primary key,
  version integer not null default 1,
  paint_id uuid not null references paint (id) on delete cascade,
  ml_left double precision not null check (ml_left >= 0),
  opened_on date,
  condition text not null
);
create index bottle_of_paint on bottle (paint_id);

create table colour_choice (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  code_id uuid not null references colour_code (id) on delete cascade,
  paint_id uuid not null references paint (id) on delete cascade,
  unique (brief_id, code_id)
);
