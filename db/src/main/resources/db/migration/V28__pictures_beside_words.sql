-- Pictures that belong to an entry of the log, and the one of how a machine was before anything was tried.
create table entry_picture (
    entry_id    bigint not null references entry,
    picture_id  uuid   not null references picture,
    at          timestamptz not null,
    primary key (entry_id, picture_id)
);
comment on table entry_picture is 'Pictures that somebody put beside an entry of the log';
alter table clinic_case add column before_picture uuid references picture;
comment on column clinic_case.before_picture is 'How it was before anything was tried';
