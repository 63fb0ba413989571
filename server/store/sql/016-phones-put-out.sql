-- Whether the token of a phone came by HTTPS alone, and since when it is put out: until it has handed over what waited on it.
alter table phone add column secure integer not null default 0;
alter table phone add column put_out_at text;
