-- Figures of sewing that a project changed, by name; what is not there is as the craft has it.
alter table project add column sewing jsonb not null default '{}'
  check (jsonb_typeof(sewing) = 'object');
