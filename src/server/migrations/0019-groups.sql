-- Classes that sew a project each at its own times. One that is taken out leaves its makers without a group.
create table maker_group (
  id uuid primary key default gen_random_uuid(),
  project_id uuid not null references project on delete cascade,
  name text not null check (length(name) between 1 and 120),
  -- The secret address under which other calendars read this group's dates.
  feed_hash bytea unique,
  removed_at timestamptz,
  created_at timestamptz not null default now()
);
create unique index maker_group_name on maker_group (project_id, lower(name)) where removed_at is null;

alter table maker add column group_id uuid references maker_group on delete set null;
-- Who pauses is not waited for, written to, or called silent.
alter table maker add column paused_at timestamptz;
alter table maker add column is_under_age boolean not null default false;
alter table maker add column travels boolean not null default false;
alter table maker add column erased_at timestamptz;

-- A maker who is stuck, the words that go to and fro about it, and what became of it. Ids are given by the device: told twice, it is once.
create table trouble (
  id uuid primary key,
  maker_id uuid not null references maker on delete cascade,
  block_id uuid not null references block on delete cascade,
  step_id text not null check (length(step_id) between 1 and 80),
  -- A sign of the trouble guide; empty where none was like it.
  symptom text not null default '' check (length(symptom) <= 60),
  state text not null default 'open' check (state in ('open', 'answered', 'settled', 'withdrawn')),
  assigned_to uuid references account on delete set null,
  is_to_teach boolean not null default false,
  revision integer not null default 1,
  at timestamptz not null,
  changed_at timestamptz not null default now()
);
create index trouble_maker on trouble (maker_id);
create index trouble_block on trouble (block_id);

create table trouble_word (
  id uuid primary key,
  trouble_id uuid not null references trouble on delete cascade,
  -- Who said it; null for the maker.
  account_id uuid references account on delete set null,
  is_makers boolean not null,
  text text not null check (length(text) <= 2000),
  image bytea check (length(image) < 2000000),
  at timestamptz not null default now(),
  number bigint generated always as identity
);
create index trouble_word_trouble on trouble_word (trouble_id, number);

-- Whoever is stuck now has a thread from the beginning.
insert into trouble (id, maker_id, block_id, step_id, at)
  select client_id, maker_id, block_id, step_id, at from (
    select distinct on (maker_id, block_id, step_id) * from progress_event order by maker_id, block_id, step_id, at desc, id desc
  ) latest where kind = 'stuck'
  on conflict do nothing;

-- Who was not there on a day, as the roll was called.
create table absence (
  maker_id uuid not null references maker on delete cascade,
  day date not null,
  primary key (maker_id, day)
);

-- What hosts and helpers note of a block or of the whole project; ids are given by the page.
create table log_entry (
  id uuid primary key,
  project_id uuid not null references project on delete cascade,
  block_id uuid references block on delete cascade,
  kind text not null check (kind in ('note', 'decision', 'next-time')),
  text text not null check (length(text) between 1 and 4000),
  account_id uuid references account on delete set null,
  at timestamptz not null default now(),
  revision integer not null default 1,
  removed_at timestamptz
);
create index log_entry_project on log_entry (project_id, at);
create index audit_project on audit (project_id, at);

-- Pictures of finished blocks, for the host alone until they are shared in an open gallery.
create table finished_photo (
  id uuid primary key,
  maker_id uuid not null references maker on delete cascade,
  block_id uuid not null references block on delete cascade,
  image bytea not null check (length(image) < 2000000),
  width integer not null,
  height integer not null,
  is_shared boolean not null default false,
  removed_at timestamptz,
  at timestamptz not null default now()
);
create index finished_photo_block on finished_photo (block_id);
alter table project add column is_gallery_open boolean not null default false;

-- What goes into bags besides papers and cloth; null until the host says something.
alter table project add column bag_extras jsonb;
alter table project add column bag_extras_revision integer not null default 0;

-- Bags that were handed to their maker: at the counter or by post, with what a receipt says.
create table handover (
  id uuid primary key,
  project_id uuid not null references project on delete cascade,
  maker_id uuid not null references maker on delete cascade,
  how text not null check (how in ('counter', 'post')),
  tracking text not null default '' check (length(tracking) <= 120),
  packets integer not null default 1 check (packets between 1 and 99),
  grams double precision check (grams > 0 and grams <= 100000),
  -- Ids of the blocks whose bags they were.
  blocks uuid[] not null check (cardinality(blocks) between 1 and 400),
  account_id uuid references account on delete set null,
  at timestamptz not null default now(),
  taken_back_at timestamptz
);
create index handover_project on handover (project_id, at);
