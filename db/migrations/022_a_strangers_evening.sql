-- What was taken back can be done again, and taken back again: an act may be undone more than once in its life.
drop index act_undone_once;
create index act_undone on act (undoes) where undoes is not null;

-- Briefs that were removed, until they come back or are gone for good.
create table removed_brief (
  brief_id uuid primary key references brief (id),
  removed_at timestamptz not null
);

-- What the builder calls it; empty for what stands on the machine.
alter table brief add column title text not null default '';

-- What nobody knows of a paint stays unknown. Where no price was given, nothing was written for it.
alter table paint alter column price_cents drop not null;
update paint set price_cents = null where price_cents = 0;

-- A machine as it is: gear that does not go up, a propeller without a spinner.
alter table airframe
  add column gear text not null default '' check (gear in ('', 'retracts', 'fixed')),
  add column spinner boolean not null default true;
