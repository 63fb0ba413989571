-- What is set up: the venue, its surfaces, fleet, crew, event days and bookings. Fields that only the core understands
-- are kept as one JSON document each, checked by its zod schema on the way in and out.

create table venue (
  id integer primary key check (id = 1),
  version integer not null,
  document text not null check (json_valid(document))
) strict;

-- A venue may have several surfaces; what is planned belongs to one of them.
create table surface (
  id text primary key,
  name text not null
) strict;

create table car (
  id text primary key,
  position integer not null,
  version integer not null,
  document text not null check (json_valid(document))
) strict;

create table instructor (
  id text primary key,
  position integer not null,
  version integer not null,
  document text not null check (json_valid(document))
) strict;

create table event_day (
  date text primary key check (date glob '????-??-??'),
  created_at text not null
) strict;

create table booking (
  id text primary key,
  date text not null references event_day (date),
  reference text not null,
  version integer not null,
  document text not null check (json_valid(document)),
  unique (date, reference)
) strict;

-- Accepted plans, each a numbered revision of one day on one surface.
create table plan_revision (
  date text not null references event_day (date),
  surface text not null references surface (id),
  revision integer not null,
  author text not null,
  reason text not null,
  accepted_at text not null,
  document text not null check (json_valid(document)),
  primary key (date, surface, revision)
) strict;

-- What happened, appended and never changed. `seq` counts from 1 without gaps within a day.
create table journal_entry (
  date text not null references event_day (date),
  seq integer not null,
  id text not null unique,
  recorded_at text not null,
  document text not null check (json_valid(document)),
  primary key (date, seq)
) strict;

create trigger journal_entry_is_never_changed before update on journal_entry
begin
  select raise(abort, 'the journal is only ever appended to');
end;
