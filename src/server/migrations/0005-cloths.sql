-- What a cloth looks like in drawings: kept with it, so that it never changes when another cloth is added.
create table cloth (
  project_id uuid not null references project on delete cascade,
  name text not null check (length(name) between 1 and 200),
  look jsonb not null,
  made_at timestamptz not null default now(),
  primary key (project_id, name)
);
