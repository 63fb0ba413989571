-- Two people who change the same entry of the roster are told of each other.
alter table roster add column version integer not null default 1;
