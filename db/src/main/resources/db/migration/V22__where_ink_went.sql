-- What an entry's ink left for. Entries of before are told by what they are, and by where their ink went.
alter table entry add column cause text;
alter table entry disable trigger entry_append_only;
update entry set cause = case
        when kind = 'cleaning' and topic = 'power' then 'POWER_CLEANINGS'
        when kind = 'cleaning' then 'CLEANINGS'
        when kind = 'print' then 'PRINTS'
        when kind in ('check', 'sheet') then 'CHECKS'
        when kind = 'purge' then 'PURGES'
        when kind in ('treatment', 'white') then 'DRAWN'
        when kind in ('correction', 'reading') then 'CORRECTIONS'
        else (select case
                when bool_or(p.place = 'outside/PAPER') then 'PURGES'
                when bool_or(p.place like 'pad/%') and entry.step_id like 'charge%' then 'CHARGES'
                when bool_or(p.place like 'pad/%') then 'CLEANINGS'
                when bool_or(p.substance like 'fluid/%') then 'RINSES'
                else 'DRAINS' end
            from posting p where p.entry_id = entry.id)
    end
where kind in ('cleaning', 'print', 'check', 'sheet', 'purge', 'treatment', 'white', 'correction', 'reading')
   or kind = 'step' and exists (select from posting p where p.entry_id = entry.id
        and (p.place like 'pad/%' or p.place like 'waste/%' or p.place like 'outside/%'));
update entry set cause = first.cause from entry first where first.id = entry.contra_of and first.cause is not null;
alter table entry enable trigger entry_append_only;

-- Ink and fluid that came into bottles and machines (below nothing) or left them, by month, machine, person, card and
-- cause; what was struck out comes off where it stood. Follows from the log.
create table gone (
    month       date   not null,
    machine_id  bigint not null,
    person_id   bigint not null,
    card_id     bigint not null,
    cause       text   not null,
    substance   text   not null,
    microlitres bigint not null,
    primary key (month, machine_id, person_id, card_id, cause, substance)
);
comment on table gone is 'Ink and fluid that came in (below nothing) or left bottles and machines, by month and cause, in microlitres; follows from posting';

-- Every entry that moved a bottle's ink is found by what it moved: the way of a bad bottle is not read out of the whole log.
create index posting_by_substance on posting (substance, entry_id);

insert into gone
select date_trunc('month', o.at at time zone coalesce((select settings ->> 'zone' from shop), 'UTC'))::date,
       coalesce(o.machine_id, 0), coalesce(o.person_id, 0), coalesce(o.card_id, 0),
       case when p.place = 'outside/SUPPLIER' then 'BOUGHT'
            when p.place = 'outside/CORRECTION' and o.kind = 'machine' then 'BROUGHT_IN'
            when p.place = 'outside/CORRECTION' then 'CORRECTIONS'
            when p.place = 'outside/PUT_ASIDE' then 'PUT_ASIDE'
            when p.place = 'outside/EVAPORATION' then 'EVAPORATED'
            else coalesce(o.cause, 'OTHER') end,
       p.substance, sum(p.microlitres)
from posting p join entry e on e.id = p.entry_id join entry o on o.id = coalesce(e.contra_of, e.id)
where p.place like 'pad/%' or p.place like 'waste/%' or p.place like 'outside/%'
group by 1, 2, 3, 4, 5, 6
having sum(p.microlitres) <> 0;
