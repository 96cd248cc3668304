-- Primer, gloss, satin and matt are products that are chosen, as colours are: their chemistry decides what may go under and over them.
create table general_coat (
  id uuid primary key default gen_random_uuid(),
  version integer not null default 1,
  brief_id uuid not null references brief (id),
  role text not null check (role in ('primer', 'gloss', 'satin', 'matt')),
  paint_id uuid not null references paint (id),
  way text not null default '',
  unique (brief_id, role)
);
create index on general_coat (paint_id);
