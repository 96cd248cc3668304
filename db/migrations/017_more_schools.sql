-- Schools that options did not have before are as usual.
update brief set options = '{"priming": "primer", "cockpit": "assembled first", "undercoats": "as chosen", "gearOn": "after paint", "clearParts": "before paint", "washOver": "gloss"}'::jsonb || options;
update change set
  before = case when before is not null then jsonb_set(before, '{options}', '{"priming": "primer", "cockpit": "assembled first", "undercoats": "as chosen", "gearOn": "after paint", "clearParts": "before paint", "washOver": "gloss"}'::jsonb || (before->'options')) end,
  after = case when after is not null then jsonb_set(after, '{options}', '{"priming": "primer", "cockpit": "assembled first", "undercoats": "as chosen", "gearOn": "after paint", "clearParts": "before paint", "washOver": "gloss"}'::jsonb || (after->'options')) end
where entity = 'brief';
