-- Markings from before designs: each field that a design has, as it is where nobody said anything else.
update marking set design =
  '{"figures": [], "letters": null, "artwork": [], "pictureId": null, "aspect": 1, "count": 1, "perRow": 20, "gap": 0.3, "line": 0.05}'::jsonb || design;
update change set
  before = case when before is not null then jsonb_set(before, '{design}',
    '{"figures": [], "letters": null, "artwork": [], "pictureId": null, "aspect": 1, "count": 1, "perRow": 20, "gap": 0.3, "line": 0.05}'::jsonb || coalesce(before->'design', '{}')) end,
  after = case when after is not null then jsonb_set(after, '{design}',
    '{"figures": [], "letters": null, "artwork": [], "pictureId": null, "aspect": 1, "count": 1, "perRow": 20, "gap": 0.3, "line": 0.05}'::jsonb || coalesce(after->'design', '{}')) end
where entity = 'marking';
alter table marking alter column design drop default, add check (design ?& array['figures', 'letters', 'artwork']);

-- What the list of briefs says of each: reckoned when a brief is looked at, kept with what it was reckoned from.
create table brief_figure (
  brief_id uuid primary key references brief (id) on delete cascade,
  reckoned_from text not null,
  open integer not null check (open >= 0)
);

-- Clocks that were stopped before their start arrived, from a device that tells its evening later.
create table stopped_timer (
  id uuid primary key,
  brief_id uuid not null references brief (id) on delete cascade
);
