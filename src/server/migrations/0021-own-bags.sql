-- What a maker chose for their own bags: so many sets of each block, and cloth cut with their own allowance (null: the project's).
alter table maker add column sets integer not null default 1 check (sets between 1 and 9);
alter table maker add column allowance_mm double precision check (allowance_mm between 1 and 40);
alter table maker add column is_left_handed boolean not null default false;

-- Further addresses of a maker's own page, printed on their bag cards. They end with the personal link.
create table card_link (
  token_hash bytea primary key,
  maker_id uuid not null references maker on delete cascade,
  made_at timestamptz not null default now()
);
create index card_link_maker on card_link (maker_id, made_at);

-- Cloths that a maker has in place of others, by name.
alter table maker add column cloths jsonb not null default '{}';

-- Cloths that were renamed, put together or split, with what they were before, so that it can be taken back.
create table cloth_change (
  id uuid primary key default gen_random_uuid(),
  project_id uuid not null references project on delete cascade,
  before jsonb not null,
  made_at timestamptz not null default now()
);
create index cloth_change_project on cloth_change (project_id, made_at);

-- A photo of one repeat of a cloth, straightened, and the one before it, so that it can be put back.
alter table cloth add column picture bytea check (length(picture) < 2000000);
alter table cloth add column picture_before bytea check (length(picture_before) < 2000000);
alter table cloth add column picture_at timestamptz;
