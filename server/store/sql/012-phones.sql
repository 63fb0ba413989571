-- Phones and tablets that were let in, each by a token of which the hash is kept.
create table phone (
  id text primary key,
  name text not null,
  token_hash text not null unique,
  added_at text not null,
  seen_at text,
  report text,
  handed_to text
) strict;
