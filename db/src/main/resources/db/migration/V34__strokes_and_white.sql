-- A customer's PDF keeps its strokes on the sheet; a machine may separate white by itself.
alter table artwork add column page bytea;
comment on column artwork.page is 'A PDF''s first page by itself, with its strokes; empty for other pictures';
alter table printer add column separates boolean not null default false;
comment on column printer.separates is 'Whether it prints white by itself where a page has it as a spot colour';
