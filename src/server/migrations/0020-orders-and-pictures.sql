-- Blocks in the order in which this maker sews them; those that are not named come after, as they are handed out.
alter table maker add column making uuid[] not null default '{}';

-- A picture to a line of the logbook, encoded anew.
alter table log_entry add column image bytea check (length(image) < 2000000);
alter table log_entry add column width integer;
alter table log_entry add column height integer;
