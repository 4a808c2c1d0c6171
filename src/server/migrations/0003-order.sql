-- What an event speaks of, by patches, so that work done by an older order still counts when the order changes.
alter table progress_event add column units jsonb;

-- Pictures that a host puts to single steps; always encoded anew here, never as they were sent.
create table step_photo (
  id uuid primary key default gen_random_uuid(),
  block_id uuid not null references block on delete cascade,
  step_id text not null check (length(step_id) between 1 and 80),
  says text not null check (length(says) between 1 and 300),
  image bytea not null check (length(image) < 2000000),
  width integer not null,
  height integer not null,
  created_by uuid references account on delete set null,
  created_at timestamptz not null default now(),
  removed_at timestamptz
);
create index step_photo_block on step_photo (block_id, step_id);

-- How the project folds and holds its papers, where it is not as proposed, and which cloths are very pale:
-- { kinds: [{ outline, convention?, method? }], pale: [cloth] }.
alter table project add column basting jsonb not null default '{}';
