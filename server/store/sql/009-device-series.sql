-- A device that is removed and added again begins anew: its numbers are those of another series.
alter table device add column series text not null default '';

create index track_by_date on track (date);
