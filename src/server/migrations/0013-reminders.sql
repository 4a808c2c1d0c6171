-- Where a maker may be written to; nothing is known until the host writes it down.
alter table maker add column email text check (length(email) between 3 and 254);
alter table maker add column time_zone text check (length(time_zone) between 1 and 60);
alter table maker add column wants_mail boolean not null default true;

-- The host's own words and quiet hours; null until they are changed.
alter table project add column reminders jsonb;
alter table project add column reminders_revision integer not null default 0;
-- What the mail stand-in does with letters of this project.
alter table project add column mail_trouble text not null default 'none' check (mail_trouble in ('none', 'refuses', 'slow'));

-- Reminders from draft to sent. Of one cause a maker is told once.
create table message (
  id uuid primary key default gen_random_uuid(),
  project_id uuid not null references project on delete cascade,
  maker_id uuid not null references maker on delete cascade,
  occasion text not null check (occasion in ('drop', 'meeting', 'slipping', 'quiet')),
  cause text not null check (length(cause) between 1 and 200),
  reason text not null,
  -- The day that it tells of: after it the letter is of no use.
  good_until date,
  subject text not null check (length(subject) between 1 and 400),
  body text not null check (length(body) <= 20000),
  state text not null default 'draft'
    check (state in ('draft', 'queued', 'sending', 'sent', 'said', 'failed', 'unsure', 'put-aside')),
  revision integer not null default 1,
  -- Where the pages are, as whoever approved it reached them.
  base text not null default '',
  send_at timestamptz,
  seen_at timestamptz,
  tries integer not null default 0,
  says text not null default '',
  off_hash bytea unique,
  changed_by uuid references account on delete set null,
  made_at timestamptz not null default now(),
  unique (maker_id, cause)
);
create index message_project on message (project_id, made_at);
create index message_due on message (send_at) where state in ('queued', 'sending');

-- What the mail stand-in took, in place of a mail server.
create table stand_in_mail (
  message_id uuid primary key references message on delete cascade,
  recipient text not null,
  subject text not null,
  body text not null,
  at timestamptz not null default now()
);
