-- Words of the log are found among millions by groups of three letters; PostgreSQL's own extension, which whoever owns the database may add.
create extension if not exists pg_trgm;
create index entry_by_words on entry using gin (words gin_trgm_ops);

-- The newest checks of a machine, whatever the channel: years of them are not read for it.
create index nozzle_check_by_machine on nozzle_check (machine_id, at desc, id desc);
