-- A kit measured against the real machine may say which dimension of its outline that is: pictures tell the same one.
alter table kit_measure add column dimension text not null default '';
update change set
  before = before || '{"dimension": ""}',
  after = after || '{"dimension": ""}'
where entity = 'kit_measure';
