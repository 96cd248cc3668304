-- What is sprayed dark under the colours, and what a black base is marbled with, are products that are chosen too.
alter table general_coat drop constraint general_coat_role_check;
alter table general_coat add check (role in ('primer', 'gloss', 'satin', 'matt', 'shade', 'marbling'));

-- Where builders disagree some zones may be done otherwise than the rest.
alter table brief add column schools_at jsonb not null default '[]';
update change set
  before = before || '{"schools_at": []}',
  after = after || '{"schools_at": []}'
where entity = 'brief';

-- Blotches are sprayed freehand, or through a stencil.
update scheme_field set shape = shape || '{"by": "freehand"}' where shape ->> 'kind' = 'mottle';
update change set
  before = case when before -> 'shape' ->> 'kind' = 'mottle'
    then jsonb_set(before, '{shape,by}', '"freehand"') else before end,
  after = case when after -> 'shape' ->> 'kind' = 'mottle'
    then jsonb_set(after, '{shape,by}', '"freehand"') else after end
where entity = 'scheme_field';

-- What stands beside the machine may say how large it really is, m; 0 where nobody measured it.
alter table subject
  add column length_m double precision not null default 0,
  add column breadth_m double precision not null default 0,
  add column height_m double precision not null default 0;
update change set
  before = before || '{"length_m": 0, "breadth_m": 0, "height_m": 0}',
  after = after || '{"length_m": 0, "breadth_m": 0, "height_m": 0}'
where entity = 'subject';
