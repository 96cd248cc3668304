-- A coat is of one product everywhere, and of others on the zones that they were chosen for.
alter table general_coat add zones text[] not null default '{}';
alter table general_coat drop constraint general_coat_brief_id_role_key;
create unique index on general_coat (brief_id, role) where zones = '{}';
