-- What was changed about a machine since it was built, what it answers otherwise than the shop, and its papers.
alter table machine
    add column fit           jsonb   not null default '{}',
    add column schools       jsonb   not null default '{}',
    add column firmware      text    not null default '',
    add column reminders_off boolean not null default false,
    add column earns_minor   bigint  check (earns_minor >= 0);

-- A channel can rest on fluid, and still be known to have held something.
alter table channel drop constraint channel_held_check;
alter table channel drop constraint channel_check;
alter table channel
    add constraint channel_held_check check (held in ('NEVER_INKED', 'INKED', 'PARKED', 'UNKNOWN')),
    add constraint channel_family_check check ((held in ('INKED', 'PARKED')) = (family is not null and make is not null));

-- The shop's own copies of profiles, corrected by measuring.
create table profile (
    id          text    primary key,
    name        text    not null unique check (name <> ''),
    copied_from text    not null,
    body        jsonb   not null,
    version     integer not null default 0
);

-- What a card wants, and what the machine was like before it and is to be like after it.
alter table card
    add column wish       jsonb,
    add column fit_before jsonb not null default '{}',
    add column fit_after  jsonb not null default '{}',
    add column brought_in boolean not null default false;

-- Ink of a bottle that an open card counts on.
create table reservation (
    card_id     bigint not null references card,
    lot_id      bigint not null references lot,
    microlitres bigint not null check (microlitres > 0),
    primary key (card_id, lot_id)
);
create index reservation_by_lot on reservation (lot_id);

-- Tools, parts and what is used up. Its kind is a word of the planner's.
create table supply (
    what        text    primary key,
    count       integer not null default 0 check (count >= 0),
    price_minor bigint  check (price_minor >= 0)
);

-- Waste bottles with a name. What is in one is the account's to say.
create table waste_bottle (
    id          bigint generated always as identity primary key,
    name        text   not null check (name <> ''),
    kind        text   not null,
    capacity_ul bigint not null check (capacity_ul > 0),
    opened_on   date   not null,
    closed_on   date
);
create unique index waste_bottle_in_use on waste_bottle (kind) where closed_on is null;

-- What was agreed to, by whom and when.
create table agreement (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    card_id     bigint references card,
    step_id     text   not null,
    words       text   not null,
    person_id   bigint references person,
    at          timestamptz not null
);
create index agreement_by_machine on agreement (machine_id, at);

-- Cartridges that came out and hold ink still.
create table put_aside (
    id          bigint generated always as identity primary key,
    machine_id  bigint not null references machine,
    card_id     bigint not null references card,
    channel     text   not null,
    what        text   not null,
    at          timestamptz not null,
    gone        timestamptz
);

-- Activation codes, sealed. The key that opens them is never in the database.
create table vault (
    id          integer primary key default 1 check (id = 1),
    proof       bytea   not null,
    printed     timestamptz
);
create table activation (
    machine_id  bigint primary key references machine,
    sealed      bytea  not null,
    origin      text   not null default '',
    stored_at   timestamptz not null,
    person_id   bigint references person
);
