-- What is done where the chemistry of one step attacks what another laid.
alter table brief add column remedies jsonb not null default '[]';
update change set before = before || '{"remedies": []}', after = after || '{"remedies": []}' where entity = 'brief';
