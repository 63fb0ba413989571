-- Guests who go out together on a day, with what that takes; their members are bookings by id.
create table day_group (
  id text primary key,
  date text not null references event_day (date),
  version integer not null,
  document text not null check (json_valid(document))
) strict;
create index day_group_by_date on day_group (date);
