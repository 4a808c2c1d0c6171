-- What a group gets wrong when it practises: sums alone, nobody's own answers.
create table practice_count (
  project_id uuid not null references project on delete cascade,
  block_id uuid not null references block on delete cascade,
  question text not null check (length(question) between 1 and 300),
  asked integer not null default 0 check (asked >= 0),
  missed integer not null default 0 check (missed between 0 and asked),
  primary key (block_id, question)
);
create index practice_count_project on practice_count (project_id);
