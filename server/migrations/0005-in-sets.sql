-- What a document names stands with it, kind and id: `classes/monday-1`. It was a table held by foreign keys, row by
-- row, where most of the time of a large import went. Writes come one after another under one lock, so that what is
-- named is held in sets at the end of each, and nobody's write comes in between.
alter table document add column names text[] not null default '{}';
update document d set names = n.names
from (select kind, id, array_agg(to_kind || '/' || to_id order by to_kind, to_id) as names from reference group by kind, id) n
where d.kind = n.kind and d.id = n.id;
drop function write_documents(bigint, uuid, smallint, text[], text[], bigint[], text[], text[], int[], text[], text[]);
drop table reference;

-- A document written names what is there by the end of the statement, and nothing that is named is removed: held for
-- every document of a statement at once, and of a statement that writes and one that removes, in that order.
create function names_are_there() returns trigger language plpgsql as $$
declare
  lost text;
begin
  -- Many name the same: each name is looked up once.
  with named as materialized (select distinct n.name from added a cross join unnest(a.names) as n (name))
  select m.name into lost from named m
  where not exists (
    select from document t where t.kind = split_part(m.name, '/', 1) and t.id = split_part(m.name, '/', 2)
  ) limit 1;
  if lost is not null then
    raise exception '% names %, which is not there',
      (select a.kind || '/' || a.id from added a where lost = any (a.names) limit 1), lost
      using errcode = 'foreign_key_violation';
  end if;
  return null;
end $$;
create function nothing_named_is_gone() returns trigger language plpgsql as $$
declare
  lost record;
begin
  select d.kind, d.id, n.name into lost
  from document d cross join unnest(d.names) as n (name) join (select r.kind || '/' || r.id as name from removed r) r using (name)
  limit 1;
  if found then
    raise exception '%/% names %, which is not there', lost.kind, lost.id, lost.name using errcode = 'foreign_key_violation';
  end if;
  return null;
end $$;
create trigger named_by_added after insert on document
  referencing new table as added for each statement execute function names_are_there();
create trigger named_by_changed after update on document
  referencing new table as added for each statement execute function names_are_there();
create trigger named_and_removed after delete on document
  referencing old table as removed for each statement execute function nothing_named_is_gone();

-- Documents on their way in, of a write that has not been decided: a large one is brought here part by part, while
-- others write, and then kept in one statement.
create table staged (
  write uuid not null,
  nth int not null,
  kind text not null,
  id text not null,
  base bigint not null,
  body jsonb,
  patch jsonb not null,
  names text[] not null,
  at timestamptz not null default now(),
  primary key (write, nth)
);

-- Brings documents to those of a write: those without a body are to be removed; what each names is parted by spaces.
create function stage_documents(
  write uuid, after int, kinds text[], ids text[], bases bigint[], bodies text[], patches text[], named text[]
) returns void language sql as $$
  insert into staged (write, nth, kind, id, base, body, patch, names)
  select stage_documents.write, after + w.nth::int, w.kind, w.id, w.base, w.body::jsonb, w.patch::jsonb,
    coalesce(string_to_array(nullif(w.names, ''), ' '), '{}')
  from unnest(kinds, ids, bases, bodies, patches, named) with ordinality as w (kind, id, base, body, patch, names, nth);
$$;

-- Keeps the documents of a write, each with the version it was made from, if nobody has written since a revision that
-- the caller knows. One write after another, whatever process it comes from: under one lock, so that versions are seen
-- in their order.
-- Returns no row where somebody has written since; else the versions, in the order they were brought.
create function keep_staged(known bigint, write uuid, format smallint)
returns table (nth int, version bigint) language plpgsql as $$
#variable_conflict use_column
declare
  brought int := (select count(*) from staged s where s.write = keep_staged.write);
  versions bigint[];
begin
  perform pg_advisory_xact_lock(4400, 2);
  if exists (select from change c where c.version > known) then
    delete from staged s where s.write = keep_staged.write;
    return;
  end if;
  -- Nothing is known yet of how many were brought, and a plan for few takes the square of the time for many.
  if brought > 500 then
    perform set_config('enable_nestloop', 'off', true);
  end if;
  if exists (
    select from staged s left join document d using (kind, id)
    where s.write = keep_staged.write and coalesce(d.version, 0) <> s.base
  ) then
    raise exception 'a document is not of the version it was changed from' using errcode = 'serialization_failure';
  end if;
  versions := array(select nextval('revision') from generate_series(1, brought));
  insert into document as d (kind, id, place, version, body, format, names)
  select s.kind, s.id, versions[s.nth], versions[s.nth], s.body, keep_staged.format, s.names
  from staged s where s.write = keep_staged.write and s.body is not null order by s.nth
  on conflict (kind, id) do update
    set body = excluded.body, format = excluded.format, version = excluded.version, names = excluded.names,
      saved_at = now();
  delete from document d using staged s
  where s.write = keep_staged.write and s.body is null and d.kind = s.kind and d.id = s.id;
  insert into change (version, kind, id, patch, write)
  select versions[s.nth], s.kind, s.id, s.patch, s.write
  from staged s where s.write = keep_staged.write order by s.nth;
  delete from staged s where s.write = keep_staged.write;
  perform pg_notify('warm_ladder_written', versions[brought]::text);
  return query select n::int, versions[n] from generate_series(1, brought) as n;
end $$;

-- The same of few documents, in one statement.
create function write_documents(
  known bigint, write uuid, format smallint,
  kinds text[], ids text[], bases bigint[], bodies text[], patches text[], named text[]
) returns table (nth int, version bigint) language plpgsql as $$
#variable_conflict use_column
begin
  perform stage_documents(write_documents.write, 0, kinds, ids, bases, bodies, patches, named);
  return query select k.nth, k.version from keep_staged(known, write_documents.write, format) k;
end $$;
