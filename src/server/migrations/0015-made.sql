-- What a step was done with: paper, size, hand and cloth of its patches; null in entries of older pages.
alter table progress_event add column made text check (length(made) between 1 and 40);
-- What lay in a bag when it was packed; null where it is not, or was packed by an older page.
alter table kit add column packed_mark text check (length(packed_mark) between 1 and 40);
-- Names that cloths had first: a cloth that was only renamed is the same cloth.
alter table project add column cloth_origins jsonb not null default '{}';
