-- Rules that the manager decided to break when accepting a plan, one sentence each.
alter table plan_revision add column despite text not null default '[]' check (json_valid(despite));

-- The plan that is being looked for on a day, or was found and is neither accepted nor dropped; one a day.
create table plan_job (
  date text primary key references event_day (date),
  id text not null unique,
  document text not null check (json_valid(document))
) strict;
