-- What words of the venue's booking lists mean: headers, languages and cars that are called otherwise there.
create table list_word (
  kind text not null check (kind in ('column', 'language', 'car')),
  word text not null,
  means text not null,
  primary key (kind, word)
) strict;
