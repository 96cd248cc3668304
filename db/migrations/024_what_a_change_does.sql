-- What the sources favoured when a ruling was made: a builder's choice is asked again when that turned. Null where it is not known; empty where
-- they favoured nothing.
alter table ruling add column favoured text;

-- What holds for the whole house: the units in which lengths, pressures and temperatures are shown.
create table house (
  only boolean primary key default true check (only),
  units text not null default 'metric' check (units in ('metric', 'feet and inches'))
);
insert into house default values;
