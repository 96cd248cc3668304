-- Four classes of opacity: what was called transparent of a solid colour hides weakly; inks, clears and glazes stay transparent.
update paint set opacity = 'weak' where opacity = 'transparent' and kind = 'solid';
update change set
  before = case when before->>'opacity' = 'transparent' and before->>'kind' = 'solid' then before || '{"opacity": "weak"}' else before end,
  after = case when after->>'opacity' = 'transparent' and after->>'kind' = 'solid' then after || '{"opacity": "weak"}' else after end
where entity = 'paint';
