-- Phones at the bench: paired by a code that is shown on the computer once. Of codes and tokens only their hashes are kept.
create table pairing_code (
  code_hash text primary key,
  made_at timestamptz not null default clock_timestamp(),
  expires_at timestamptz not null
);
create table pairing_try (
  at timestamptz not null default clock_timestamp(),
  host text not null
);
create index pairing_try_at on pairing_try (at);

create table bench_device (
  id uuid primary key,
  name text not null check (length(name) between 1 and 60),
  token_hash text not null unique,
  paired_at timestamptz not null default clock_timestamp(),
  seen_at timestamptz not null default clock_timestamp(),
  revoked_at timestamptz
);
