-- Computed results are dropped when nothing has asked for them for a while.
alter table derived add column used_on date not null default current_date;
create index derived_used_on on derived (used_on);
