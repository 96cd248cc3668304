-- Single evenings beside the weekly pattern: added, or taken off.
create table evening (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  on_day date not null,
  starts_at text not null,
  minutes integer not null check (minutes > 0),
  booth boolean not null,
  off boolean not null
);
create index evening_of_brief on evening (brief_id);

-- Work that was done and has to be done again stays in the record.
alter table log_entry add column again boolean not null default false;
update change set before = before || '{"again": false}', after = after || '{"again": false}' where entity = 'log_entry';

-- How a colour is laid belongs to the call: its ground, the coats that are wanted, and a filter over it.
alter table colour_choice
  add column ground text not null default '',
  add column coats integer check (coats between 1 and 12),
  add column filter jsonb;
update change set
  before = before || '{"ground": "", "coats": null, "filter": null}',
  after = after || '{"ground": "", "coats": null, "filter": null}'
where entity = 'colour_choice';
