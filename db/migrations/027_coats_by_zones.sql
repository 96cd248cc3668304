-- A coat is of one product everywhere, and of others on the zones that they were chosen for.
alter table general_coat add zones text[] not null default '{}';
alter table general_coat drop constraint general_coat_brief_id_role_key;
create unique index on general_coat (brief_id, role) where zones = '{}';

-- Steps of a marking took the zone that it was entered for; now they take all that it lies on. What was logged for the one counts for all of its step.
update log_entry as entry
set zones = '{}'
from marking
where entry.brief_id = marking.brief_id
  and entry.step_key ~ ('^marking[a-z-]*:' || marking.id)
  and entry.zones = array[marking.zone];
