-- Faults that a venue adds to the vocabulary, and its own words for the common ones.
create table fault (
  id text primary key,
  position integer not null,
  version integer not null,
  document text not null check (json_valid(document))
) strict;

-- Who is there and who is away, days in a row; what is private in it is left out on the way to anybody but the manager.
create table roster (
  id text primary key,
  instructor text not null references instructor (id) on delete cascade,
  from_date text not null check (from_date glob '????-??-??'),
  to_date text not null check (to_date glob '????-??-??'),
  document text not null check (json_valid(document))
) strict;

create index roster_by_date on roster (to_date, from_date);

-- The manager's code, as its bcrypt hash.
create table manager_code (
  id integer primary key check (id = 1),
  hash text not null
) strict;

-- Why a guest should have an instructor or should not: for the manager alone, so it is no part of the booking.
create table pairing_reason (
  booking text not null references booking (id) on delete cascade,
  instructor text not null,
  reason text not null,
  primary key (booking, instructor)
) strict;
