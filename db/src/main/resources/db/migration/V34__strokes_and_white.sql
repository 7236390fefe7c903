-- A customer's PDF keeps its strokes on the sheet; a machine may separate white by itself.
alter table artwork add column page bytea;
comment on column artwork.page is 'A PDF''s first page by itself, with its strokes; empty for other pictures';
alter table printer add column separates boolean not null default false;
comment on column printer.separates is 'Whether it prints white by itself where a page has it as a spot colour';

-- Where paper goes in is a profile's own; what the house described before is taken as its usual way.
update profile set body = jsonb_set(body, '{handling,trays}', case
    when body #>> '{capable,largestSheet}' like 'roll%' then '["BED"]'::jsonb
    when body #>> '{capable,largestSheet}' like 'garment%' then '["PLATEN"]'::jsonb
    else '["REAR"]'::jsonb end)
where body -> 'handling' is not null and not body -> 'handling' ? 'trays';
