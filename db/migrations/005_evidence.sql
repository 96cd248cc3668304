-- Evidence, whole: where and on which film a source was made, what of the airframe it shows, events that change a zone's paint,
-- several answers of one kind on one zone, sides ruled mirrored, measurements that keep the points they were taken from.

alter table airframe add column lost_on date;

alter table repaint rename to paint_event;
alter table paint_event
  add column kind text not null default 'repaint',
  add column value text not null default '',
  add column shows_under boolean not null default false;

alter table source
  add column place text not null default '',
  add column page text not null default '',
  add column film text not null default 'unknown',
  add column zones text[] not null default '{}',
  add column after_event_id uuid references paint_event (id),
  add column before_event_id uuid references paint_event (id),
  add column calibration jsonb;

alter table question add column item text not null default '';
alter table question drop constraint question_brief_id_zone_aspect_key;
alter table question add unique (brief_id, zone, aspect, item);

alter table sighting add column marks jsonb;

create table mirror (
  id uuid primary key,
  version integer not null default 1,
  brief_id uuid not null references brief (id) on delete cascade,
  zone text not null,
  aspect text not null,
  item text not null,
  reason text not null,
  unique (brief_id, zone, aspect, item)
);

-- What history holds gets the new columns too, so that a change made before can still be taken back.
update change set entity = 'paint_event' where entity = 'repaint';
update change set
  before = before || added.columns,
  after = after || added.columns
from (values
  ('airframe', '{"lost_on": null}'::jsonb),
  ('paint_event', '{"kind": "repaint", "value": "", "shows_under": false}'),
  ('source', '{"place": "", "page": "", "film": "unknown", "zones": [], "after_event_id": null, "before_event_id": null, "calibration": null}'),
  ('question', '{"item": ""}'),
  ('sighting', '{"marks": null}')
) as added (entity, columns)
where change.entity = added.entity;
