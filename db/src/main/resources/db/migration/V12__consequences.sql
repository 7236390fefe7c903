-- What an entry came to beyond the ink it moved: one row for each book that took something of it, with the rows of that book
-- as they were before and after, so that it can be given back.
create table consequence (
    id          bigint generated always as identity primary key,
    entry_id    bigint not null references entry,
    book        text   not null,
    kind        text   not null,
    body        jsonb  not null,
    images      jsonb  not null default '[]'
);
create index consequence_by_entry on consequence (entry_id);
create index consequence_by_kind on consequence (kind, entry_id);
create trigger consequence_append_only before update or delete on consequence for each row execute function append_only();

create index entry_by_contra on entry (contra_of) where contra_of is not null;

-- What is owed has a kind, so that one act can settle what another left without reading its words.
alter table owed add column kind text not null default 'OWN';
update owed set kind = case
    when step_id is not null then 'STEP'
    when words = 'Align the head' then 'ALIGN'
    when words = 'Register it with its maker' then 'REGISTER'
    when words = 'Look at the outside waste bottle' then 'WASTE_BOTTLE'
    when words like 'Prime % again' then 'PRIME'
    when words = 'Nozzle check after the cure' then 'CHECK_AFTER_CURE'
    when words = 'A new head, or the whites once more' then 'NEW_HEAD'
    else 'OWN' end;

-- Entries of before tell what they came to as far as other tables still know.
insert into consequence (entry_id, book, kind, body, images)
select entry_id, 'CHECKS', 'Looked', jsonb_build_object('kind', 'Looked', 'missing', '{}'::jsonb, 'judged', true),
       jsonb_agg(jsonb_build_object('table', 'nozzle_check', 'key', jsonb_build_object('id', c.id), 'after', to_jsonb(c)))
from nozzle_check c group by entry_id;
insert into consequence (entry_id, book, kind, body, images)
select entry_id, 'PASSPORTS', 'Aligned', jsonb_build_object('kind', 'Aligned', 'picks', '{}'::jsonb),
       jsonb_agg(jsonb_build_object('table', 'alignment_pick', 'key', jsonb_build_object('id', p.id), 'after', to_jsonb(p)))
from alignment_pick p group by entry_id;
insert into consequence (entry_id, book, kind, body, images)
select entry_id, 'REFILLS', 'Refilled',
       jsonb_build_object('kind', 'Refilled', 'channel', r.channel, 'microlitres', r.poured_ul, 'ranDry', r.ran_dry,
                          'chipReset', r.chip_reset, 'says', r.machine_says, 'before', r.level_before),
       jsonb_build_array(jsonb_build_object('table', 'refill', 'key', jsonb_build_object('id', r.id), 'after', to_jsonb(r)))
from refill r;
insert into consequence (entry_id, book, kind, body, images)
select e.id, 'MACHINES', 'Agreed', jsonb_build_object('kind', 'Agreed', 'words', a.words),
       jsonb_build_array(jsonb_build_object('table', 'agreement', 'key', jsonb_build_object('id', a.id), 'after', to_jsonb(a)))
from agreement a join lateral (select max(id) id from entry where card_id = a.card_id and step_id = a.step_id and kind = 'step') e on e.id is not null;
insert into consequence (entry_id, book, kind, body, images)
select e.id, 'MACHINES', 'PutAside', jsonb_build_object('kind', 'PutAside', 'what', '{}'::jsonb),
       jsonb_agg(jsonb_build_object('table', 'put_aside', 'key', jsonb_build_object('id', p.id), 'after', to_jsonb(p)))
from put_aside p join card k on k.id = p.card_id
join lateral (
    select max(s.id) id from entry s join jsonb_array_elements(k.body -> 'runs') run on run -> 'step' ->> 'id' = s.step_id
    where s.card_id = p.card_id and s.kind = 'step'
      and exists (select from jsonb_array_elements(run -> 'step' -> 'effects') f where f ->> 'facet' = 'OLD_CARTRIDGE' and f ->> 'value' = 'stored')) e on e.id is not null
group by e.id;
insert into consequence (entry_id, book, kind, body, images)
select e.id, 'OWED', 'Owes', jsonb_build_object('kind', 'Owes', 'what', 'STEP', 'words', o.words, 'why', o.why, 'inDays', 7),
       jsonb_build_array(jsonb_build_object('table', 'owed', 'key', jsonb_build_object('id', o.id), 'after', to_jsonb(o)))
from owed o join lateral (select max(id) id from entry where card_id = o.card_id and step_id = o.step_id and kind = 'skip') e on e.id is not null
where o.done_at is null;
insert into consequence (entry_id, book, kind, body, images)
select e.id, 'MACHINES', 'Refitted', jsonb_build_object('kind', 'Refitted', 'fit', k.fit_after),
       jsonb_build_array(jsonb_build_object('table', 'machine', 'key', jsonb_build_object('id', k.machine_id),
           'before', jsonb_build_object('fit', k.fit_before), 'after', jsonb_build_object('fit', k.fit_after)))
from card k
join lateral (
    select max(s.id) id from entry s join jsonb_array_elements(k.body -> 'runs') run on run -> 'step' ->> 'id' = s.step_id
    where s.card_id = k.id and s.kind = 'step' and run -> 'step' -> 'move' ->> 'kind' = 'Refit' and run ->> 'status' = 'DONE') e on e.id is not null
where k.finished_at is null and k.given_up is null and k.fit_after <> '{}'::jsonb;
