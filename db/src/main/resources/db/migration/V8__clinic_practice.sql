create table clinic_case (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    together    uuid   not null,
    opened_at   timestamptz not null,
    opened_by   text   not null,
    words       text   not null default '',
    work        text   not null,
    situation   jsonb  not null,
    ended_at    timestamptz,
    ending      text   check (ending in ('CURED', 'GOOD_ENOUGH', 'STOPPED', 'HANDED_OVER')),
    ending_words text  not null default '',
    check ((ended_at is null) = (ending is null))
);
-- A machine has one case at a time, whoever taps first.
create unique index clinic_case_open on clinic_case (machine_id) where ended_at is null;
create index clinic_case_by_end on clinic_case (ended_at desc);

create table case_evidence (
    id          bigint generated always as identity primary key,
    case_id     bigint not null references clinic_case,
    at          timestamptz not null,
    person      text   not null,
    body        jsonb  not null,
    entry_id    bigint references entry
);
create index case_evidence_by_case on case_evidence (case_id, id);

create table treatment_outcome (
    id          bigint generated always as identity primary key,
    case_id     bigint not null references clinic_case,
    treatment   text   not null,
    kind        text   not null,
    family      text   not null,
    worked      boolean not null,
    at          timestamptz not null,
    forgotten   boolean not null default false
);
create index treatment_outcome_counting on treatment_outcome (family) where not forgotten;

alter table card add column case_id bigint references clinic_case, add column treatment text;

create table practice_run (
    id          bigint generated always as identity primary key,
    person_id   bigint references person,
    level       text   not null,
    seed        bigint not null,
    begun_at    timestamptz not null,
    ended_at    timestamptz,
    acts        jsonb  not null default '[]',
    hints       integer not null default 0,
    score       integer,
    version     integer not null default 0
);
create index practice_run_by_person on practice_run (person_id, id desc);
