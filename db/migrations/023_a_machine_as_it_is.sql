-- A machine as it is: how its crew sits, and what each part of it is skinned with. Empty is as its layout has it.
alter table airframe
  add column cockpit text not null default '' check (cockpit in ('', 'canopy', 'open', 'two open')),
  add column surfaces jsonb not null default '{"fuselage": "", "wings": "", "tail": ""}';
