alter table entry
    add column topic  text,
    add column amount double precision;

create table upkeep (
    machine_id  bigint not null references machine,
    routine     text   not null,
    channel     text   not null default '',
    since       timestamptz not null,
    sheets      double precision not null default 0,
    ink         double precision not null default 0,
    cleanings   double precision not null default 0,
    entry_id    bigint references entry,
    primary key (machine_id, routine, channel)
);

create table used_day (
    machine_id  bigint not null references machine,
    day         date   not null,
    channel     text   not null default '',
    laid        double precision not null default 0,
    moved       double precision not null default 0,
    pad         double precision not null default 0,
    sheets      double precision not null default 0,
    cleanings   integer not null default 0,
    primary key (machine_id, day, channel)
);
create index used_day_by_day on used_day (day);

create table routine_setting (
    machine_id  bigint not null references machine,
    routine     text   not null,
    factor      double precision not null default 1 check (factor between 0.1 and 10),
    off_because text   not null default '',
    primary key (machine_id, routine)
);

alter table promise add column minutes integer not null default 60 check (minutes between 1 and 1440);

create table round_day (
    day         date   primary key,
    body        jsonb  not null,
    version     integer not null default 0
);

create table feed (
    id          integer primary key default 1 check (id = 1),
    secret      text   not null
);

create table feed_item (
    uid         text    primary key,
    digest      text    not null,
    sequence    integer not null default 0,
    body        jsonb   not null,
    changed_at  timestamptz not null,
    gone_at     timestamptz
);

create table own_sheet (
    machine_id  bigint primary key references machine,
    from_time   time    not null,
    to_time     time    not null,
    transfer    boolean not null,
    sheets_left integer not null check (sheets_left >= 0),
    keep        integer not null check (keep >= 0),
    trouble     text,
    check (from_time < to_time)
);
