-- The database decides: what is written carries the version it was made from, and every change is a row.

-- A character that JSON can name and text can't hold, or half of one: taken out, and told once (mended).
create function whole_text(written text) returns text language sql immutable as $$
  select regexp_replace(written, '(?<!\\)((?:\\\\)*)\\u(?:0000|[dD][89a-fA-F][0-9a-fA-F]{2})', '\1', 'g')
$$;
create table mended (
  kind text not null,
  id text not null,
  told boolean not null default false
);
insert into mended select kind, id from document where body::text <> whole_text(body::text);
alter table document alter column body type jsonb using whole_text(body::text)::jsonb;
alter table set_aside alter column body type jsonb using whole_text(body::text)::jsonb;

-- What names what. The document named must be there by the end of the transaction.
create table reference (
  kind text not null,
  id text not null,
  to_kind text not null,
  to_id text not null,
  primary key (kind, id, to_kind, to_id),
  foreign key (kind, id) references document on delete cascade,
  foreign key (to_kind, to_id) references document deferrable initially deferred
);
create index reference_to on reference (to_kind, to_id);

-- Every change that was kept, in the order in which they were: what other tabs and other processes catch up by, what
-- history is told from, and what is taken back after a reload. A new order of documents is a row of the kind '*'.
create table change (
  version bigint primary key,
  kind text not null,
  id text not null,
  at timestamptz not null default now(),
  -- An edit as core/edits has it: from what was there to what is, and back.
  patch jsonb not null,
  -- Which write it came with: how a process whose connection broke learns whether its write was kept.
  write uuid not null
);
create index change_of on change (kind, id, version);
create index change_write on change (write);

-- Writes documents (those without a body are removed), each with the version it was made from, if nobody has written
-- since a revision that the caller knows. One write after another, whatever process it comes from: under one lock, so
-- that versions are seen in their order.
-- Returns no row where somebody has written since; else the versions, in the order asked for.
create function write_documents(
  known bigint, write uuid, format smallint,
  kinds text[], ids text[], bases bigint[], bodies text[], patches text[],
  owners int[], to_kinds text[], to_ids text[]
) returns table (nth int, version bigint) language plpgsql as $$
#variable_conflict use_column
declare
  versions bigint[];
begin
  perform pg_advisory_xact_lock(4400, 2);
  if exists (select from change c where c.version > known) then
    return;
  end if;
  if exists (
    select from unnest(kinds, ids, bases) as w (kind, id, base)
    left join document d on d.kind = w.kind and d.id = w.id
    where coalesce(d.version, 0) <> w.base
  ) then
    raise exception 'a document is not of the version it was changed from' using errcode = 'serialization_failure';
  end if;
  versions := array(select nextval('revision') from generate_series(1, cardinality(ids)));
  delete from document d using unnest(kinds, ids, bodies) as w (kind, id, body)
  where d.kind = w.kind and d.id = w.id and w.body is null;
  insert into document as d (kind, id, place, version, body, format)
  select w.kind, w.id, w.version, w.version, w.body::jsonb, write_documents.format
  from unnest(kinds, ids, bodies, versions) with ordinality as w (kind, id, body, version, nth)
  where w.body is not null order by w.nth
  on conflict (kind, id) do update
    set body = excluded.body, format = excluded.format, version = excluded.version, saved_at = now();
  -- Most edits leave what a document names as it is: only what differs is touched.
  for nth in 1 .. cardinality(ids) loop
    delete from reference r where r.kind = kinds[nth] and r.id = ids[nth] and not exists (
      select from unnest(owners, to_kinds, to_ids) as n (owner, to_kind, to_id)
      where n.owner = nth and n.to_kind = r.to_kind and n.to_id = r.to_id
    );
  end loop;
  insert into reference (kind, id, to_kind, to_id)
  select kinds[n.owner], ids[n.owner], n.to_kind, n.to_id from unnest(owners, to_kinds, to_ids) as n (owner, to_kind, to_id)
  on conflict do nothing;
  insert into change (version, kind, id, patch, write)
  select w.version, w.kind, w.id, w.patch::jsonb, write_documents.write
  from unnest(versions, kinds, ids, patches) as w (version, kind, id, patch);
  perform pg_notify('warm_ladder_written', versions[cardinality(versions)]::text);
  return query select n::int, versions[n] from generate_subscripts(versions, 1) as n;
end $$;

-- Whether what documents name has been written down once for those that were here before.
alter table studio add column referenced boolean not null default false;
