-- How hands get at a machine: what a person has taught one that is like its profile but not it.
alter table machine add column taught jsonb not null default '{}';

-- The shop's own profiles say it in one place, too.
update profile
set body = jsonb_set(
    body - array['freeing', 'screws', 'powerFirst', 'headsByUser'],
    '{handling}',
    jsonb_build_object(
        'freeing', case body ->> 'freeing'
            when 'LOCK_GEAR' then 'LOCK_GEAR'
            when 'LIFT_POWER' then 'CORD_AS_IT_UNDOCKS'
            else case body ->> 'architecture' when 'CARTRIDGE' then 'MENU_THEN_CORD' else 'CORD_IN_PRINT' end
        end,
        'panel', jsonb_build_object(
            'kind', case when (body #>> '{capable,screen}')::boolean then 'SCREEN' else 'LAMPS' end,
            'ways', '{}'::jsonb),
        'screws', case when (body ->> 'screws')::int > 0
            then jsonb_build_array(jsonb_build_object('which', 'cover screws', 'count', (body ->> 'screws')::int))
            else '[]'::jsonb
        end,
        'wasteLines', case body ->> 'architecture' when 'FILM' then 'ONE' else 'NONE' end,
        'powerFirst', body -> 'powerFirst',
        'headsByUser', body -> 'headsByUser'))
    || jsonb_build_object('capable', (body -> 'capable') - array['screen', 'powerCleanFromPanel'])
where body ? 'freeing';
