-- What the shop keeps of an article at least, what it never gives away unasked, and articles of its own.
create table article (
    key         text    primary key check (key <> ''),
    label       text    not null default '',
    minimum     bigint  not null default 0 check (minimum >= 0),
    reserve     bigint  not null default 0 check (reserve >= 0),
    count       integer not null default 0 check (count >= 0)
);
create sequence article_own as integer;
comment on table article is 'What the shop wants to have of an article, in microlitres or pieces; and articles of its own';

create table supplier (
    id              bigint generated always as identity primary key,
    name            text    not null unique check (name <> ''),
    lead_days       integer not null check (lead_days between 0 and 120),
    postage_minor   bigint  not null check (postage_minor >= 0),
    free_from_minor bigint  check (free_from_minor >= 0),
    zone            text    not null,
    opens           time,
    closes          time,
    notes           text    not null default '',
    gone            boolean not null default false,
    version         integer not null default 0,
    check ((opens is null) = (closes is null))
);
comment on table supplier is 'Who sells what is needed';

create table offer (
    id          bigint generated always as identity primary key,
    supplier_id bigint not null references supplier,
    name        text   not null check (name <> ''),
    contents    jsonb  not null,
    tiers       jsonb  not null,
    gone        boolean not null default false
);
comment on table offer is 'What a supplier sells under one number: how much of which article, and the price of one by how many are bought';

create table purchase (
    id            bigint generated always as identity primary key,
    supplier_id   bigint not null references supplier,
    made_at       timestamptz not null,
    person_id     bigint references person,
    state         text   not null check (state in ('ORDERED', 'CAME_IN_PART', 'CAME', 'CANCELLED')),
    lines         jsonb  not null,
    postage_minor bigint not null check (postage_minor >= 0)
);
comment on table purchase is 'What was ordered of whom, and how much of it has come';
create index purchase_open on purchase (made_at) where state in ('ORDERED', 'CAME_IN_PART');
