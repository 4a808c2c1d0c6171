-- Attempts are counted by a limiter now, each key for itself, with the time at which it is forgotten (ms since 1970).
drop table attempt;
create table rate_limit (
  key varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);

-- Devices from which an account has signed in before: a guesser elsewhere does not shut them out.
create table known_device (
  token_hash bytea primary key,
  account_id uuid not null references account on delete cascade,
  seen_at timestamptz not null default now()
);
create index known_device_account on known_device (account_id);

-- What a session's list shows of it, and the id by which it is ended.
alter table session add column id uuid not null default gen_random_uuid();
alter table session add column device text not null default '' check (length(device) <= 200);
create unique index session_id on session (id);
create index session_account on session (account_id);

-- Invitations of hosts and helpers, and letters for a new password: used once, until a day.
create table invitation (
  token_hash bytea primary key,
  id uuid not null default gen_random_uuid() unique,
  project_id uuid not null references project on delete cascade,
  role text not null check (role in ('host', 'helper')),
  made_by uuid references account on delete set null,
  made_at timestamptz not null default now(),
  expires_at timestamptz not null,
  used_at timestamptz,
  used_by uuid references account on delete set null
);
create index invitation_project on invitation (project_id);
create table password_letter (
  token_hash bytea primary key,
  account_id uuid not null references account on delete cascade,
  expires_at timestamptz not null
);

-- Projects are archived, and taken out to the bin, before they are ever deleted.
alter table project add column archived_at timestamptz;
alter table project add column removed_at timestamptz;

-- An installation holds several shops: who may make new ones is said here.
alter table account add column is_keeper boolean not null default false;
update account set is_keeper = true
where id = (select id from account order by created_at, id limit 1);
