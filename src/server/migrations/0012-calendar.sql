-- Drops, meetings and holidays of a project, as one document; null until the host makes one.
alter table project add column calendar jsonb;
alter table project add column calendar_revision integer not null default 0;
-- The secret address under which other calendars read this one; null while there is none.
alter table project add column feed_hash bytea unique;
