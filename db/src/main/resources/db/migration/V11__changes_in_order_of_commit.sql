-- Ids are drawn before commits happen. Whoever reads "all after this one" reads only what transactions wrote that are older
-- than any that still runs; so nobody has to wait for anybody to keep the order.
alter table change add column xid bigint not null default (pg_current_xact_id()::text::bigint);
create index change_in_order on change (xid, id);
