-- Blocks that a maker does not sew; without a line here everybody sews everything.
create table skip (
  maker_id uuid not null references maker (id) on delete cascade,
  block_id uuid not null references block (id) on delete cascade,
  primary key (maker_id, block_id)
);
