-- What a machine knows about itself beside its numbers: registration, driver, quirks. Keys are words of the core's.
alter table machine
    add column facts     jsonb            not null default '{}',
    add column refill_at double precision check (refill_at > 0 and refill_at < 1);

-- What is owed to a machine: left out on a card, asked for by the calendar, or written down by somebody.
create table owed (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    card_id     bigint references card,
    step_id     text,
    words       text   not null check (words <> ''),
    why         text   not null default '',
    due         date   not null,
    every_days  integer check (every_days > 0),
    made_at     timestamptz not null,
    done_at     timestamptz,
    person_id   bigint references person
);
create index owed_open on owed (machine_id, due) where done_at is null;
create unique index owed_once_per_step on owed (card_id, step_id) where done_at is null;

-- Steps that finished cards had left out before this table was there stay owed.
insert into owed (machine_id, card_id, step_id, words, why, due, made_at)
select c.machine_id, c.id, run -> 'step' ->> 'id', run -> 'step' ->> 'title', coalesce(run ->> 'reason', ''),
       (c.finished_at at time zone 'UTC')::date + 7, c.finished_at
from (select distinct on (machine_id) * from card where finished_at is not null and not brought_in order by machine_id, id desc) c,
     jsonb_array_elements(c.body -> 'runs') run
where run ->> 'status' = 'SKIPPED' and run -> 'step' ->> 'id' <> 'photograph' and jsonb_typeof(run -> 'step' -> 'pause') is distinct from 'object';

-- Leaflets, receipts, cards: kept with the machine, to be opened without a network. Or only where to find them.
create table document (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    name        text   not null check (name <> ''),
    media_type  text,
    bytes       bytea,
    link        text   not null default '',
    added_at    timestamptz not null,
    check ((media_type is null) = (bytes is null)),
    check (bytes is not null or link <> '')
);
create index document_by_machine on document (machine_id, id);

-- Ink poured between changeovers. What moved is the account's to say.
create table refill (
    id           bigint generated always as identity primary key,
    entry_id     bigint  not null references entry,
    machine_id   bigint  not null references machine,
    channel      text    not null,
    at           timestamptz not null,
    poured_ul    bigint  not null check (poured_ul > 0),
    ran_dry      boolean not null default false,
    chip_reset   boolean not null default false,
    machine_says double precision check (machine_says between 0 and 1),
    level_before double precision not null
);
create index refill_by_channel on refill (machine_id, channel, at);

-- How high outboard tanks or raised bottles hung, and whether the head dripped.
create table tank_height (
    id          bigint generated always as identity primary key,
    machine_id  bigint  not null references machine,
    at          timestamptz not null,
    millimetres integer not null check (millimetres between -500 and 500),
    dripped     boolean
);
create index tank_height_by_machine on tank_height (machine_id, at desc);

-- Which square was the best, pattern by pattern, each time the head was aligned.
create table alignment_pick (
    id          bigint generated always as identity primary key,
    entry_id    bigint  not null references entry,
    machine_id  bigint  not null references machine,
    at          timestamptz not null,
    pattern     text    not null,
    pick        integer not null
);
create index alignment_pick_by_machine on alignment_pick (machine_id, at desc);

-- Work that is promised to a day.
create table promise (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    words       text   not null check (words <> ''),
    due         timestamptz not null,
    done_at     timestamptz
);
create index promise_open on promise (machine_id, due) where done_at is null;

-- How a product is printed and pressed.
create table preset (
    id          bigint generated always as identity primary key,
    name        text    not null unique check (name <> ''),
    family      text    not null,
    paper       text    not null default '',
    settings    text    not null default '',
    mirrored    boolean not null default false,
    press_c     integer check (press_c between 20 and 300),
    press_s     integer check (press_s between 1 and 3600),
    version     integer not null default 0
);

-- A check that is looked at but not judged by: the first one after fluid.
alter table nozzle_check add column judged boolean not null default true;

-- Somebody from outside worked on a machine's computer.
create table outside_help (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    who         text   not null check (who <> ''),
    allowed_by  bigint references person,
    began_at    timestamptz not null,
    ended_at    timestamptz,
    changed     text   not null default ''
);
create unique index outside_help_running on outside_help (machine_id) where ended_at is null;
