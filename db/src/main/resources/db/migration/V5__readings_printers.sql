-- A picture of a sheet, and what was read in it. The reading stays as it was; what a person corrected is kept beside it.
create table reading (
    id            bigint generated always as identity primary key,
    at            timestamptz not null,
    person_id     bigint references person,
    picture_id    uuid   not null references picture,
    straight_id   uuid   references picture,
    machine_id    bigint references machine,
    sheet_id      bigint references sheet,
    kind          text,
    entry_id      bigint references entry,
    why_not       text,
    looks         jsonb  not null default '[]',
    corrected     jsonb  not null default '{}',
    doubts        jsonb  not null default '[]',
    spots         jsonb  not null default '{}',
    turned        boolean not null default false,
    pixels_per_mm double precision,
    reference     boolean not null default false
);
create index reading_by_machine on reading (machine_id, at desc, id desc);
create index reading_by_picture on reading (picture_id);
create index reading_by_entry on reading (entry_id);
-- One picture of this machine's clean inks is the one that foreign colour is held against.
create unique index reading_reference on reading (machine_id) where reference;

-- Where a machine's printer is in the network.
create table printer (
    machine_id  bigint primary key references machine,
    uri         text   not null,
    fingerprint text
);

-- A sheet on its way to a printer. At most one way that may still end in print, so that no sheet is printed twice.
create table print_job (
    id          bigint generated always as identity primary key,
    sheet_id    bigint not null references sheet,
    machine_id  bigint not null references machine,
    token       text   not null unique,
    uri         text   not null,
    remote_id   integer,
    state       text   not null check (state in ('QUEUED', 'SENDING', 'UNSURE', 'PRINTING', 'DONE', 'FAILED', 'CANCELLED')),
    words       text   not null default '',
    cancel      boolean not null default false,
    made_at     timestamptz not null,
    touched_at  timestamptz not null
);
create unique index print_job_once on print_job (sheet_id) where state in ('QUEUED', 'SENDING', 'UNSURE', 'PRINTING', 'DONE');
create index print_job_open on print_job (touched_at) where state in ('QUEUED', 'SENDING', 'UNSURE', 'PRINTING');
