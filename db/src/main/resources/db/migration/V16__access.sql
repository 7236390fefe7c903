-- Who may come in, from where, and for how long. Nothing here opens anything by itself: passwords and PINs are slow
-- hashes, and of what a browser keeps only the sum is kept.

create table account (
    person_id   bigint primary key references person,
    role        text not null check (role in ('OWNER', 'HAND', 'LOOKER')),
    password    text,
    pin         text
);

-- A tablet that the owner let in: on it a PIN is enough.
create table device (
    id          bigint generated always as identity primary key,
    name        text not null check (name <> ''),
    token_sum   text not null unique,
    enrolled_by bigint references person,
    enrolled_at timestamptz not null,
    ended_at    timestamptz
);

create table session (
    token_sum   text primary key,
    person_id   bigint not null references person,
    device_id   bigint references device,
    begun_at    timestamptz not null,
    seen_at     timestamptz not null,
    ends_at     timestamptz not null
);
create index session_person on session (person_id);

-- Wrong answers, counted for a person and the place they came from: nobody is locked out by somebody elsewhere.
create table attempt (
    person_id   bigint not null references person,
    place       text not null,
    failed      integer not null,
    closed_until timestamptz,
    primary key (person_id, place)
);
