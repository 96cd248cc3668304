-- A log entry knows enough to do the same again: where, with what as it was mixed, how much of it, in which climate.
alter table log_entry
  add column step_kind text not null default '',
  add column zones text[] not null default '{}',
  add column code text not null default '',
  add column chemistry text not null default '',
  add column mixed jsonb,
  add column ml double precision check (ml >= 0),
  add column coats double precision check (coats > 0),
  add column temp_c double precision,
  add column humidity double precision,
  add column picture_id text references picture (id);

-- What history holds gets the new columns too, so that a change made before can still be taken back.
update change set
  before = before || added.columns,
  after = after || added.columns
from (values ('{"step_kind": "", "zones": [], "code": "", "chemistry": "", "mixed": null, "ml": null, "coats": null, "temp_c": null, "humidity": null, "picture_id": null}'::jsonb))
  as added (columns)
where change.entity = 'log_entry';
