-- What a subject stands on: another by its name, '' where it stands by itself or beside the machine.
alter table subject add column stands_on text not null default '';
update change set
  before = before || '{"stands_on": ""}',
  after = after || '{"stands_on": ""}'
where entity = 'subject';
