-- What was used up of the small things, by day: a forecast and a month's statement read it. Follows from the log.
create table supply_used (
    day     date    not null,
    what    text    not null,
    count   integer not null check (count > 0),
    primary key (day, what)
);
comment on table supply_used is 'Paper, parts and small things that were used up, by day; follows from consequence';
insert into supply_used
select (e.at at time zone coalesce((select settings ->> 'zone' from shop), 'UTC'))::date, u.what, sum(u.count)::integer
from consequence c
join entry e on e.id = c.entry_id
cross join lateral (
    select key as what, value::integer as count from jsonb_each_text(case when c.kind = 'Used' then c.body -> 'supplies' else '{}'::jsonb end)
    union all
    select 'PAPER', (c.body ->> 'pages')::integer where c.kind = 'SheetPrinted') u
where c.kind in ('Used', 'SheetPrinted') and c.book = 'SUPPLIES' and u.count > 0
  and not exists (select from entry contra where contra.contra_of = e.id)
group by 1, 2;
