-- The newest of one kind on one machine are found without reading all that the machine did.
create index entry_by_machine_kind on entry (machine_id, kind, at desc, id desc);
create index entry_by_kind on entry (kind, at desc, id desc);
