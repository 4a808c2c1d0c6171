-- A cloth as it lies on the shelf: width, selvedges, stock, price; null while nobody has said.
alter table cloth add column shelf jsonb;
alter table cloth add column revision integer not null default 0;
