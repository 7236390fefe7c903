-- A power cleaning says so beside its words, so that a machine's can be counted: each takes a piece of its pad's life.
alter table entry disable trigger entry_append_only;
update entry set topic = 'power' where kind = 'cleaning' and (words like '%: power cleaning' or words like '%: power cleaning (%');
alter table entry enable trigger entry_append_only;
create index entry_power_cleaning on entry (machine_id, at) where kind = 'cleaning' and topic = 'power';
