-- One way to write. An act is what a person did: it is applied once under the id that its device gave it, answers the same however often
-- it arrives, and stands above the changes of rows that it made. Revisions count what happened to each brief and to the shelf that all
-- share. Nothing is removed by cascade: what falls with a row is removed by name, with its history.

create table act (
  id uuid primary key,
  brief_id uuid references brief (id) deferrable initially deferred,
  by text not null,
  station text not null,
  -- By the clock of the device that it was made on; null for what the house did itself.
  device_at timestamptz,
  at timestamptz not null default clock_timestamp(),
  -- The revision of the brief that whoever acted was looking at.
  seen bigint,
  -- The act that this one takes back.
  undoes uuid references act (id),
  -- Said once that it could not be taken back.
  told boolean not null default false,
  answer jsonb
);
create index act_of_brief on act (brief_id, at desc);
create unique index act_undone_once on act (undoes) where undoes is not null;

insert into act (id, brief_id, by, station, at)
select act, (array_agg(brief_id order by id))[1], (array_agg(by order by id))[1], (array_agg(station order by id))[1], min(at)
from change group by act;
-- An act that was taken back more than once counts as taken back by the first.
update act set undoes = first.undoes
from (select distinct on (undoes) act, undoes from change where undoes is not null order by undoes, id) as first
where act.id = first.act and exists (select 1 from act undone where undone.id = first.undoes);

drop index change_of_brief;
drop index change_undoes;
alter table change
  drop column brief_id,
  drop column at,
  drop column by,
  drop column station,
  drop column undoes,
  add foreign key (act) references act (id);
create index change_of_act on change (act, id);
create index change_of_row on change (row_id, id);

-- `of` is a brief, or the shelf (all zeros).
create table revision (
  of uuid primary key,
  number bigint not null default 1,
  -- The number at which each kind of record changed last: what did not change since is not read again.
  kinds jsonb not null default '{}'
);
insert into revision (of) values ('00000000-0000-0000-0000-000000000000');
insert into revision (of) select id from brief;

do $$
declare
  found record;
begin
  for found in
    select c.conrelid::regclass as of_table, c.conname, pg_get_constraintdef(c.oid) as definition
    from pg_constraint c
    where c.contype = 'f' and c.confdeltype = 'c' and c.connamespace = 'public'::regnamespace
  loop
    execute format('alter table %s drop constraint %I', found.of_table, found.conname);
    execute format('alter table %s add constraint %I %s', found.of_table, found.conname,
                   replace(found.definition, ' ON DELETE CASCADE', ''));
  end loop;
end $$;
