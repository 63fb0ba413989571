-- Days that the calendar has made go again with it as long as nothing is on them; a day may have a setup of its own.
alter table event_day add column by_calendar integer not null default 0 check (by_calendar in (0, 1));
alter table event_day add column setup text check (setup is null or json_valid(setup));
