-- Pieces that one marking is printed in, whether its print is what paint is matched to, and how it is printed at home.
alter table marking
  add column pieces_each smallint not null default 1 check (pieces_each between 1 and 9),
  add column by_print boolean not null default false,
  add column printing jsonb not null default '{}';

update change set
  before = before || '{"pieces_each": 1, "by_print": false, "printing": {}}',
  after = after || '{"pieces_each": 1, "by_print": false, "printing": {}}'
where entity = 'marking';
