create table account (
  id uuid primary key default gen_random_uuid(),
  email text not null check (email = lower(email) and length(email) between 3 and 254),
  name text not null check (length(name) between 1 and 120),
  password_hash text not null,
  created_at timestamptz not null default now(),
  unique (email)
);

create table session (
  token_hash bytea primary key,
  account_id uuid not null references account on delete cascade,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null
);

-- Failed and counted attempts, so that every server process throttles alike.
create table attempt (
  key text primary key,
  count integer not null,
  window_ends timestamptz not null
);

create table project (
  id uuid primary key default gen_random_uuid(),
  name text not null check (length(name) between 1 and 120),
  shop text not null default '' check (length(shop) <= 120),
  unit_system text not null default 'inch' check (unit_system in ('inch', 'metric')),
  page_size text not null default 'A4' check (page_size in ('A4', 'Letter')),
  allowance_mm double precision not null default 6.35 check (allowance_mm > 0 and allowance_mm <= 50),
  spares_percent double precision not null default 5 check (spares_percent between 0 and 100),
  grid_columns integer not null default 3 check (grid_columns between 1 and 20),
  is_demo boolean not null default false,
  created_at timestamptz not null default now()
);

create table membership (
  project_id uuid not null references project on delete cascade,
  account_id uuid not null references account on delete cascade,
  role text not null check (role in ('host', 'helper')),
  primary key (project_id, account_id)
);

create table maker (
  id uuid primary key default gen_random_uuid(),
  project_id uuid not null references project on delete cascade,
  name text not null check (length(name) between 1 and 120),
  token_hash bytea unique,
  link_made_at timestamptz,
  removed_at timestamptz,
  created_at timestamptz not null default now()
);
create index maker_project on maker (project_id);
create unique index maker_name on maker (project_id, lower(name)) where removed_at is null;

create table block (
  id uuid primary key default gen_random_uuid(),
  project_id uuid not null references project on delete cascade,
  name text not null check (length(name) between 1 and 120),
  place integer not null check (place >= 0),
  document jsonb not null,
  content_hash text not null,
  patch_count integer not null check (patch_count > 0),
  revision integer not null default 1,
  removed_at timestamptz,
  created_at timestamptz not null default now()
);
create index block_project on block (project_id);
create unique index block_name on block (project_id, lower(name)) where removed_at is null;

-- Computed from documents and settings only; may be emptied at any time.
create table derived (
  key text primary key,
  result jsonb not null,
  created_at timestamptz not null default now()
);

create table kit (
  block_id uuid not null references block on delete cascade,
  maker_id uuid not null references maker on delete cascade,
  status text not null check (status in ('to-pack', 'packed', 'handed-over')),
  revision integer not null default 1,
  changed_by uuid references account on delete set null,
  changed_at timestamptz not null default now(),
  primary key (block_id, maker_id)
);

create table progress_event (
  id bigint generated always as identity primary key,
  client_id uuid not null,
  maker_id uuid not null references maker on delete cascade,
  block_id uuid not null references block on delete cascade,
  step_id text not null check (length(step_id) between 1 and 80),
  kind text not null check (kind in ('done', 'undone', 'stuck')),
  minutes double precision check (minutes between 0 and 10000),
  at timestamptz not null,
  device text not null default '' check (length(device) <= 80),
  received_at timestamptz not null default now(),
  unique (maker_id, client_id)
);
create index progress_event_block on progress_event (block_id, maker_id, id);

create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception 'progress_event is append only';
end $$;
create trigger progress_event_append_only before update on progress_event
  for each row execute function refuse_change();

create table audit (
  id bigint generated always as identity primary key,
  project_id uuid references project on delete cascade,
  account_id uuid references account on delete set null,
  what text not null,
  details jsonb not null default '{}',
  at timestamptz not null default now()
);
