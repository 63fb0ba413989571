-- Timing loops and trackers, each with the key under which it signs and what has been heard of it.
create table device (
  id text primary key,
  name text not null,
  kind text not null check (kind in ('timing', 'tracker')),
  key text not null,
  last_seq integer not null default 0,
  heard_at text,
  accepted integer not null default 0,
  malformed integer not null default 0,
  unsigned integer not null default 0,
  replayed integer not null default 0,
  unusable integer not null default 0,
  last_refusal text
) strict;
