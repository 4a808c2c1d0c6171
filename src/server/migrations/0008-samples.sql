-- A project to play with, made at the press of a button and thrown away again.
alter table project add column is_sample boolean not null default false;
