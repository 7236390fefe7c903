-- Kinds of waste are told by name; what is weighed is counted in grams, and each kind has the place's own rule.
update waste_bottle set kind = case kind when 'ink and fluid' then 'LIQUID' else 'POWDER' end;
alter table waste_bottle add check (kind in ('LIQUID', 'POWDER', 'OFFCUTS', 'CURED', 'SOAKED'));
alter table waste_bottle add column grams integer not null default 0 check (grams >= 0);
comment on column waste_bottle.capacity_ul is 'What it takes: microlitres, or milligrams of what is weighed';
comment on column waste_bottle.grams is 'What is in it of what is weighed';

create table waste_rule (
    kind    text primary key check (kind in ('LIQUID', 'POWDER', 'OFFCUTS', 'CURED', 'SOAKED')),
    words   text not null check (words <> '')
);
comment on table waste_rule is 'What this place wants done with a kind of waste, in the shop''s words';
