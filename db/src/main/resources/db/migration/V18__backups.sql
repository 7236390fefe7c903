-- The copies of the shop that were made, and whether each could be read back. The files lie beside the server that made
-- them; a night has one, whichever server comes first.
create table backup (
    id        bigint generated always as identity primary key,
    night     date unique,
    asked_at  timestamptz not null,
    server    text not null,
    file      text not null,
    bytes     bigint,
    proved_at timestamptz,
    said      text,
    check (proved_at is null or said is null)
);
create unique index backup_one_at_a_time on backup ((true)) where proved_at is null and said is null;
