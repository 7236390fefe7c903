-- Check sheets that were made, and whether they were really printed. What one laid down is in its entry.
create table sheet (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    kind        text   not null,
    paper       text   not null,
    wanted      jsonb  not null default '{}',
    pages       integer not null default 1,
    made_at     timestamptz not null,
    entry_id    bigint references entry
);
create index sheet_by_machine on sheet (machine_id, id desc);
