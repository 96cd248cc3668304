-- Paints that are sold together, with the scheme they are meant for; contents by their numbers in the line.
create table paint_set (
  id uuid primary key,
  version integer not null default 1,
  line_id uuid not null references paint_line (id),
  number text not null,
  name text not null,
  scheme text not null,
  contents text[] not null,
  price_cents integer not null,
  currency text not null,
  unique (line_id, number)
);
