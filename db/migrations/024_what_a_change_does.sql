-- What the sources favoured when a ruling was made: a builder's choice is asked again when that turned. Null where it is not known; empty where
-- they favoured nothing.
alter table ruling add column favoured text;

-- What holds for the whole house: the units in which lengths, pressures and temperatures are shown. One row, or none while nobody chose.
create table house (
  id uuid primary key default gen_random_uuid(),
  version int not null default 1,
  units text not null check (units in ('metric', 'feet and inches'))
);
create unique index only_house on house ((true));
