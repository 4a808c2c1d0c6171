-- What lies in a bag while it is packed, by line: how many, and when that was said.
alter table kit add column ticks jsonb not null default '{}';
-- In whose hands it is, until when; nobody's once that is over.
alter table kit add column holder uuid references account on delete set null;
alter table kit add column held_until timestamptz;
-- Who looked into it again after it was packed.
alter table kit add column checked_by uuid references account on delete set null;
