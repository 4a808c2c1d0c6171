-- What a maker chose for their own bags: so many sets of each block, and cloth cut with their own allowance (null: the project's).
alter table maker add column sets integer not null default 1 check (sets between 1 and 9);
alter table maker add column allowance_mm double precision check (allowance_mm between 1 and 40);
alter table maker add column is_left_handed boolean not null default false;
