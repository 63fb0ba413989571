-- Two bookings that are one person, told by somebody; taking that back is taking the row away.
create table guest_link (
  one text not null references booking (id) on delete cascade,
  other text not null references booking (id) on delete cascade,
  made_at text not null,
  primary key (one, other)
) strict;

-- The journal is only ever appended to, but for what a person has the right to have erased: free words and names. Which
-- entries that was stands here, before the entry is changed.
create table erasure (
  entry_id text primary key,
  erased_at text not null
) strict;

drop trigger journal_entry_is_never_changed;
create trigger journal_entry_is_never_changed before update on journal_entry
when not exists (select 1 from erasure where entry_id = old.id)
  or new.date <> old.date or new.seq <> old.seq or new.id <> old.id
begin
  select raise(abort, 'the journal is only ever appended to');
end;
