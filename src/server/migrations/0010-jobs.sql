-- Work that must be finished even where the process that began it is killed.
create table job (
  id uuid primary key default gen_random_uuid(),
  kind text not null,
  project_id uuid not null references project on delete cascade,
  account_id uuid references account on delete cascade,
  details jsonb not null default '{}',
  state text not null default 'waiting' check (state in ('waiting', 'running', 'done', 'failed')),
  tries integer not null default 0,
  due_at timestamptz not null default now(),
  -- When whoever runs it last said so.
  seen_at timestamptz,
  says text not null default '',
  made_at timestamptz not null default now()
);
create index job_open on job (due_at) where state in ('waiting', 'running');
create index job_project on job (project_id, kind);
