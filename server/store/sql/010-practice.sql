-- Days of made-up guests: a simulated crew may play them, and they count nowhere.
alter table event_day add column practice integer not null default 0 check (practice in (0, 1));
