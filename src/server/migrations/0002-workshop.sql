-- Blocks become kevlo.block/2: what a generator made is a part. Their content hash is only a name for the cache.
update block set document =
  jsonb_build_object(
    'format', 'kevlo.block/2',
    'patches', case when document ? 'recipe'
      then (select jsonb_agg(patch || '{"part": "p1"}' order by place)
            from jsonb_array_elements(document -> 'patches') with ordinality as list(patch, place))
      else document -> 'patches' end)
  || case when document ? 'recipe'
      then jsonb_build_object('parts', jsonb_build_array(jsonb_build_object(
        'id', 'p1', 'recipe', document -> 'recipe', 'prefix', '', 'x', 0, 'y', 0, 'turnDeg', 0)))
      else '{}'::jsonb end
where document ->> 'format' = 'kevlo.block/1';

-- How the blocks are joined into the top; null until the host decides.
alter table project add column setting jsonb;
alter table project add column setting_revision integer not null default 0;

-- Marks that the host chose for papers instead of the proposed ones: a list of { outline, mark }.
alter table project add column marks jsonb not null default '[]';
