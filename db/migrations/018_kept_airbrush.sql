-- What an airbrush is kept for, and nothing else: clear, primer, metal, or one colour by its code.
alter table tool add column kept_for text not null default '' check (length(kept_for) <= 60);
