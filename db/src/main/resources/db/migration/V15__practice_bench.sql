-- A practice run is played again from its seed, and the same seed makes another machine on a bench that was rebuilt:
-- what was begun on the old one ends where it stands, and keeps its score.
alter table practice_run add column bench integer not null default 1;
alter table practice_run alter column bench set default 2;
update practice_run set ended_at = now() where ended_at is null;
