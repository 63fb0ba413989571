-- Two people who set up the same day are told of each other.
alter table event_day add column setup_version integer not null default 1;
