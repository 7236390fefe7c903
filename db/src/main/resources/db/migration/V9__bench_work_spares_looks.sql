-- A card of bench work: what it is, its routine and its channels, in words.
alter table card add column work text;

-- What somebody saw in a line, a bottle or a damper.
create table line_look (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    channel     text   not null,
    place       text   not null check (place in ('BOTTLE', 'LINE', 'DAMPER')),
    seen        text   not null check (seen in ('CLEAR', 'FILM', 'SOLID')),
    at          timestamptz not null,
    person      text   not null,
    picture_id  uuid   references picture
);
create index line_look_by_machine on line_look (machine_id, channel, place, at desc);

-- Parts that were saved from machines, and machines that give theirs.
create table spare (
    id          bigint generated always as identity primary key,
    what        text   not null,
    fits        text   not null default '',
    count       integer not null check (count >= 0),
    origin      text   not null default '',
    no_other    boolean not null default false,
    at          timestamptz not null
);
create table donor (
    machine_id  bigint primary key references machine,
    words       text   not null,
    since       timestamptz not null
);

-- What is broken or missing, and what follows from it at the step concerned.
create table defect (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    facet       text   not null,
    words       text   not null,
    effect      text   not null,
    at          timestamptz not null,
    mended_at   timestamptz
);
create index defect_by_machine on defect (machine_id) where mended_at is null;

-- A person's own week, and what that person leaves to others.
alter table person add column settings jsonb;
