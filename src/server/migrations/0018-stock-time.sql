-- When a bag was packed, and when a cloth's stock was counted: what bags took since is off the shelf.
alter table kit add column packed_at timestamptz;
update kit set packed_at = changed_at where status <> 'to-pack';
alter table cloth add column stock_at timestamptz not null default now();
