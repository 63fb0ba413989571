-- Where cars were, as their trackers told: some seconds a row, each point as thousandths of a second of the day and metres
-- along the lap from the start line.
create table track (
  date text not null references event_day (date),
  car text not null,
  from_ms integer not null,
  to_ms integer not null,
  points text not null check (json_valid(points)),
  primary key (date, car, from_ms)
) strict, without rowid;
