-- How a machine was laid over the picture of a source: the places that were found in it, from which its camera follows.
alter table source add column camera jsonb;
update change set
  before = before || '{"camera": null}',
  after = after || '{"camera": null}'
where entity = 'source';

-- What is measured may be measured on the machine itself.
update sighting set marks = marks || '{"onSkin": false}' where marks is not null;
update change set
  before = case when jsonb_typeof(before -> 'marks') = 'object'
    then jsonb_set(before, '{marks,onSkin}', 'false') else before end,
  after = case when jsonb_typeof(after -> 'marks') = 'object'
    then jsonb_set(after, '{marks,onSkin}', 'false') else after end
where entity = 'sighting';
