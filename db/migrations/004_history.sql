-- Append-only: what every act changed, with who and when. Undo replays `before` and is itself a change.

create table change (
  id bigint generated always as identity primary key,
  act uuid not null,
  brief_id uuid references brief (id) on delete cascade,
  at timestamptz not null default clock_timestamp(),
  by text not null,
  station text not null,
  entity text not null,
  row_id uuid not null,
  before jsonb,
  after jsonb,
  -- The act that this one takes back.
  undoes uuid
);
create index change_of_brief on change (brief_id, id desc);
create index change_undoes on change (undoes) where undoes is not null;
