-- The venue's circuit, its show and its pictures. A circuit map that a venue had before becomes its circuit, five metres
-- wide to either side until somebody says better.
create table circuit (
  id integer primary key check (id = 1),
  version integer not null,
  document text not null check (json_valid(document))
) strict;

create table show (
  id integer primary key check (id = 1),
  version integer not null,
  document text not null check (json_valid(document))
) strict;

create table photo (
  id text primary key,
  type text not null check (type in ('image/jpeg', 'image/png', 'image/webp')),
  bytes blob not null,
  made_at text not null
) strict;

insert into circuit (id, version, document)
select 1, 1, json_object(
  'name', json_extract(document, '$.circuit.name'),
  'line', (
    select json_group_array(json_object(
      'xM', json_extract(point.value, '$.xM'), 'yM', json_extract(point.value, '$.yM'), 'leftM', 5, 'rightM', 5
    )) from json_each(document, '$.map.line') as point
  ),
  'pitExitM', json_extract(document, '$.map.pitExitM'),
  'pitEntryM', json_extract(document, '$.map.pitEntryM'),
  'corners', (
    select json_group_array(json_object(
      'name', json_extract(corner.value, '$.name'), 'atM', json_extract(corner.value, '$.atM')
    )) from json_each(document, '$.map.corners') as corner
  )
)
from venue where json_extract(document, '$.map') is not null;

update venue set document = json_remove(document, '$.map');
