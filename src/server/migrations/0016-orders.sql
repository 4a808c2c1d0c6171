-- What the host decided about buying: figures, notions, cloth of the top, stock, suppliers; null until someone says.
alter table project add column order_plan jsonb;
alter table project add column order_plan_revision integer not null default 0;

-- Orders as they were sent off; they stay as they were ordered.
create table placed_order (
  id uuid primary key default gen_random_uuid(),
  project_id uuid not null references project on delete cascade,
  name text not null check (length(name) between 1 and 80),
  placed_at timestamptz not null default now(),
  arrived_at timestamptz,
  -- Taken back: it was not sent after all.
  removed_at timestamptz,
  lines jsonb not null
);
create index placed_order_project on placed_order (project_id, placed_at);
