-- How much goes into a priming chamber is the kit's to say, and how a gear is turned the machine's: no longer schools.
update shop set settings = settings #- '{schools,BULK_DOSES}' where settings -> 'schools' ? 'BULK_DOSES';
update shop set settings = settings #- '{schools,CARRIAGE}' where settings -> 'schools' ->> 'CARRIAGE' = 'gear';
update machine set schools = schools - 'BULK_DOSES' where schools ? 'BULK_DOSES';
update machine set schools = schools - 'CARRIAGE' where schools ->> 'CARRIAGE' = 'gear';

-- A profile of the shop's own says what is in the box of its bulk feed: what its class usually gets.
update profile set body = jsonb_set(body, '{handling,kit}', case when jsonb_array_length(body -> 'channels') > 4
    then '{"ribbon": "TO_CUT", "chamber": "MARK", "bracket": "STICKS", "constantHead": false, "valve": true, "plugs": true, "sponge": true, "bunged": false, "first": 25, "second": 10, "tilt": 30}'::jsonb
    else '{"ribbon": "JOINED", "chamber": "NO_MARK", "bracket": "STICKS", "constantHead": false, "valve": true, "plugs": true, "sponge": false, "bunged": false, "first": 30, "second": 20, "tilt": 30}'::jsonb end)
where body -> 'handling' is not null and not body -> 'handling' ? 'kit';

-- How a bottle lets its ink go, where somebody has said so.
alter table lot add column bottle_kind text check (bottle_kind in ('KEYED_VALVE', 'PIERCED', 'FOIL', 'GROMMET', 'CROSS_CUT', 'NOZZLE', 'PLAIN'));
