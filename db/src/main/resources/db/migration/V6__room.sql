-- The room's air, read by hand, from a file, or by a probe.
create table room_reading (
    id         bigint generated always as identity primary key,
    at         timestamptz not null,
    celsius    double precision not null check (celsius between -10 and 60),
    humidity   double precision not null check (humidity between 0 and 100),
    source     text   not null,
    person_id  bigint references person,
    unique (at, source)
);
create index room_reading_by_time on room_reading (at desc);

-- Where the probe answers; one row, or none.
create table probe (
    only_one boolean primary key default true check (only_one),
    uri      text not null,
    trouble  text
);
