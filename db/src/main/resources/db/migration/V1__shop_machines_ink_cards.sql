-- One shop. What it decides for itself lies in settings; what others refer to has tables.
create table shop (
    id          integer primary key default 1 check (id = 1),
    name        text    not null,
    settings    jsonb   not null,
    version     integer not null default 0
);

create table person (
    id          bigint generated always as identity primary key,
    name        text not null unique check (name <> ''),
    left_shop   boolean not null default false
);

create table bench (
    id          bigint generated always as identity primary key,
    name        text    not null unique check (name <> ''),
    place       integer not null
);

create table machine (
    id              bigint generated always as identity primary key,
    name            text    not null unique check (name <> ''),
    bench_id        bigint  not null references bench,
    place           integer not null,
    profile         text    not null,
    warranty_ended  timestamptz,
    signed_off      timestamptz,
    serial          text    not null default '',
    notes           text    not null default '',
    version         integer not null default 0
);
create index machine_by_bench on machine (bench_id, place);

-- What a slot is known to have held: never inked, inked with a family and make, or unknown.
create table channel (
    machine_id  bigint  not null references machine,
    code        text    not null,
    slot        integer not null,
    held        text    not null check (held in ('NEVER_INKED', 'INKED', 'UNKNOWN')),
    family      text,
    make        text,
    food_only   boolean not null default false,
    lot_id      bigint,
    primary key (machine_id, code),
    check ((held = 'INKED') = (family is not null and make is not null))
);

-- A bottle on the shelf. How much is left in it is the account's to say.
create table lot (
    id          bigint generated always as identity primary key,
    kind        text    not null check (kind in ('INK', 'FLUID')),
    family      text    not null,
    channel     text,
    make        text    not null,
    code        text    not null,
    volume_ul   bigint  not null check (volume_ul > 0),
    price_minor bigint  not null check (price_minor >= 0),
    food_grade  boolean not null default false,
    opened_on   date,
    best_before date,
    spoiled     text,
    check ((kind = 'INK') = (channel is not null))
);
alter table channel add foreign key (lot_id) references lot;

create table card (
    id          bigint generated always as identity primary key,
    machine_id  bigint  not null references machine,
    title       text    not null,
    family      text    not null,
    make        text    not null,
    fluid_lot   bigint  not null default 0,
    plan        jsonb   not null,
    body        jsonb   not null,
    steps       integer not null,
    steps_done  integer not null default 0,
    next_step   text,
    created_at  timestamptz not null,
    finished_at timestamptz,
    given_up    text,
    version     integer not null default 0
);
-- A machine is on one card at a time, whoever taps first.
create unique index card_open_per_machine on card (machine_id) where finished_at is null and given_up is null;

-- What happened. Never changed, never deleted: a mistake is struck out by another entry.
create table entry (
    id          bigint generated always as identity primary key,
    at          timestamptz not null,
    person_id   bigint references person,
    machine_id  bigint references machine,
    card_id     bigint references card,
    step_id     text,
    kind        text   not null,
    words       text   not null,
    contra_of   bigint references entry
);
create index entry_by_time on entry (at desc, id desc);
create index entry_by_machine on entry (machine_id, at desc, id desc);
create index entry_by_card_step on entry (card_id, step_id);

-- Every mL leaves one place and enters another: the postings of an entry add up to zero for every substance.
create table posting (
    id          bigint generated always as identity primary key,
    entry_id    bigint not null references entry,
    place       text   not null,
    substance   text   not null,
    microlitres bigint not null check (microlitres <> 0)
);
create index posting_by_entry on posting (entry_id);
create index posting_by_place on posting (place);

create function posting_balances() returns trigger language plpgsql as $$
begin
    if exists (select from posting where entry_id = new.entry_id group by substance having sum(microlitres) <> 0) then
        raise exception 'Impossible state: the postings of entry % do not add up to zero.', new.entry_id;
    end if;
    return null;
end $$;
create constraint trigger posting_balances after insert on posting
    deferrable initially deferred for each row execute function posting_balances();

create function append_only() returns trigger language plpgsql as $$
begin
    raise exception 'Impossible state: % is append-only.', tg_table_name;
end $$;
create trigger entry_append_only before update or delete on entry for each row execute function append_only();
create trigger posting_append_only before update or delete on posting for each row execute function append_only();

-- What every place holds now; can be rebuilt from the postings.
create table content (
    place       text   not null,
    substance   text   not null,
    microlitres bigint not null check (microlitres >= 0),
    primary key (place, substance)
);

create table nozzle_check (
    id          bigint generated always as identity primary key,
    entry_id    bigint  not null references entry,
    machine_id  bigint  not null references machine,
    at          timestamptz not null,
    channel     text    not null,
    nozzles     integer not null,
    missing     integer[] not null
);
create index nozzle_check_latest on nozzle_check (machine_id, channel, at desc);

-- Waits on the hob.
create table wait (
    id          bigint generated always as identity primary key,
    machine_id  bigint references machine,
    card_id     bigint references card,
    step_id     text,
    label       text   not null check (label <> ''),
    started_at  timestamptz not null,
    ready_at    timestamptz not null,
    late_at     timestamptz,
    taken_off   timestamptz
);
create index wait_on_the_hob on wait (ready_at) where taken_off is null;

create table picture (
    id          uuid    primary key,
    sha256      bytea   not null unique,
    media_type  text    not null check (media_type in ('image/jpeg', 'image/png')),
    width       integer not null,
    height      integer not null,
    bytes       bytea   not null
);

create table card_note (
    id          bigint generated always as identity primary key,
    card_id     bigint not null references card,
    step_id     text   not null,
    at          timestamptz not null,
    person_id   bigint references person,
    words       text   not null default '',
    picture_id  uuid references picture,
    check (words <> '' or picture_id is not null)
);
create index card_note_by_card on card_note (card_id, step_id);

-- What screens that are open have to hear of, in order.
create table change (
    id          bigint generated always as identity primary key,
    at          timestamptz not null default now(),
    topic       text not null
);

-- Answers to requests that were carried out, so that a repeated tap gets the same one.
create table answered (
    key         text primary key,
    request     text not null,
    at          timestamptz not null default now(),
    status      integer not null default 0,
    media_type  text,
    body        bytea
);
