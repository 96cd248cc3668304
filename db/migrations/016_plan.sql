-- The plan that the builder accepted: where each step lay, in minutes since 1970 in UTC.
create table accepted_plan (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null unique references brief (id) on delete cascade,
  laid jsonb not null
);

-- What the builder changed in the route that the rules make.
create table route_edit (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  rank integer not null,
  edit jsonb not null
);
create index route_edit_of_brief on route_edit (brief_id);

-- Schools that options did not have before are as usual.
update brief set options = '{"chips": "sponge on top", "decalGround": "gloss coat"}'::jsonb || options;
update change set
  before = case when before is not null then jsonb_set(before, '{options}', '{"chips": "sponge on top", "decalGround": "gloss coat"}'::jsonb || (before->'options')) end,
  after = case when after is not null then jsonb_set(after, '{options}', '{"chips": "sponge on top", "decalGround": "gloss coat"}'::jsonb || (after->'options')) end
where entity = 'brief';
