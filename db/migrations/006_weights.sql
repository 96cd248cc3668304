-- How much each kind of source says, where the builder of a brief weighs differently from the defaults.
alter table brief add column weights jsonb not null default '{"kind": {}, "clarity": {}}';
update change set
  before = before || '{"weights": {"kind": {}, "clarity": {}}}',
  after = after || '{"weights": {"kind": {}, "clarity": {}}}'
where entity = 'brief';
