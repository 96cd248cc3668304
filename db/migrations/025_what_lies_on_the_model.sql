-- What an entry of the log left on its zones, by itself: it is no longer read from the step that it was logged for. '' for nothing; null where an
-- earlier house did not say, so that it counts for what its step lays. With how much of the work it was, and whether it stands for what the
-- same step laid there before.
alter table log_entry
  add column what text,
  add column share double precision check (share > 0 and share <= 1),
  add column replaces boolean not null default false;

-- What was laid is told from the entry's own words where they are plain: its step was named after what it does.
create function pg_temp.what_was_laid(step_key text, step_kind text, code text) returns text language sql immutable as $$
  select case
    when step_key ~ '^(prime|prime-again|prime-paint|prime-paint-again|prime-interior|prime-bays|prime-parts|subject-.*:prime)$' then 'primer'
    when step_key ~ '^(spray|interior|bay|part):.*:ground$' or step_key ~ '^marking-ground:' or step_key = 'frames-inside' then 'undercoat'
    when step_key ~ '^(spray|interior|bay|part):.*:filter$' or step_key in ('shade', 'black-base', 'highlight') then 'tone'
    when step_key ~ '^(spray|interior|bay|part|layer|temporary):' or step_key ~ '^subject-.*:colour:' or step_key ~ '^open:' then 'colour'
    when step_key ~ '^marking-spray:' then 'marking'
    when step_key ~ '^marking:' then case when step_kind = 'brush' then 'marking' else 'decal' end
    when step_key ~ '^barrier:' or step_key in ('gloss', 'seal', 'matt', 'matt-for-wash', 'matt-for-oils', 'matt-interior', 'chip-fluid', 'temporary-fluid') then 'clear'
    when step_key ~ '^wash:' or step_key in ('wash-interior', 'wash-bays', 'weather-gear') then 'wash'
    when step_key in ('streaks', 'shade-ribs', 'neglect') then 'oil'
    when step_key ~ '^(rework|technique|weather):' then null
    else ''
  end
$$;
update log_entry set what = pg_temp.what_was_laid(step_key, step_kind, code);

-- Work of a mishap, a technique or a plan of weathering says itself what it lays.
update log_entry set what = coalesce(found.what, '')
from (
  select brief_id, step ->> 'key' as key, step -> 'lays' ->> 'what' as what
  from (
    select brief_id, run from mishap where run is not null
    union all
    select brief_id, run from work_run
  ) as worked, jsonb_array_elements(worked.run -> 'steps') as step
) as found
where log_entry.brief_id = found.brief_id and log_entry.step_key = found.key and log_entry.what is null;

update change set
  before = before || '{"what": null, "share": null, "replaces": false}',
  after = after || '{"what": null, "share": null, "replaces": false}'
where entity = 'log_entry';

-- What is modelled beside the machine keeps the name by which its zones and its work know it, whatever it is called.
alter table subject add column name text;
update subject set name = 'subject-' || trim(both '-' from regexp_replace(lower(title), '[^a-z0-9]+', '-', 'g'));
alter table subject alter column name set not null;
update change set
  before = before || jsonb_build_object('name', 'subject-' || trim(both '-' from regexp_replace(lower(before ->> 'title'), '[^a-z0-9]+', '-', 'g'))),
  after = after || jsonb_build_object('name', 'subject-' || trim(both '-' from regexp_replace(lower(after ->> 'title'), '[^a-z0-9]+', '-', 'g')))
where entity = 'subject';

-- So does a marking: what happened to it stands in the timeline by that name.
alter table marking add column name text;
update marking set name = title;
alter table marking alter column name set not null;
update change set
  before = before || jsonb_build_object('name', before ->> 'title'),
  after = after || jsonb_build_object('name', after ->> 'title')
where entity = 'marking';
