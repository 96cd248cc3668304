-- A part may replace several, comes in a set, and may be wanted with one choice of an option only.
alter table part
  add column replaces_ids uuid[] not null default '{}',
  add column set_title text not null default '',
  add column on_option jsonb;
update part set replaces_ids = array[replaces_id] where replaces_id is not null;
alter table part drop column replaces_id;

update change set
  before = (before - 'replaces_id') || jsonb_build_object(
    'replaces_ids', case when before ->> 'replaces_id' is null then '[]'::jsonb else jsonb_build_array(before ->> 'replaces_id') end,
    'set_title', '', 'on_option', null)
where entity = 'part' and before is not null;
update change set
  after = (after - 'replaces_id') || jsonb_build_object(
    'replaces_ids', case when after ->> 'replaces_id' is null then '[]'::jsonb else jsonb_build_array(after ->> 'replaces_id') end,
    'set_title', '', 'on_option', null)
where entity = 'part' and after is not null;
