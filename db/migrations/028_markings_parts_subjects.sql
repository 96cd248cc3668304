-- Pieces that one marking is printed in, whether its print is what paint is matched to, and how it is printed at home.
alter table marking
  add column pieces_each smallint not null default 1 check (pieces_each between 1 and 9),
  add column by_print boolean not null default false,
  add column printing jsonb not null default '{}';

update change set
  before = before || '{"pieces_each": 1, "by_print": false, "printing": {}}',
  after = after || '{"pieces_each": 1, "by_print": false, "printing": {}}'
where entity = 'marking';

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

-- What a subject stands on: another by its name, '' where it stands by itself or beside the machine.
alter table subject add column stands_on text not null default '';
update change set
  before = before || '{"stands_on": ""}',
  after = after || '{"stands_on": ""}'
where entity = 'subject';
