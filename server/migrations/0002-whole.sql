-- What tells whether all of a studio is there.

-- Which studio this is: the browser keeps unsent work apart by it.
create table studio (
  only_one boolean primary key default true check (only_one),
  id uuid not null default gen_random_uuid()
);
insert into studio default values;

-- How many documents of each kind there are, and the sum of their versions. Kept by the triggers below in the same
-- transaction as every write, so that a lost page of the table, which the engine reads as empty, is noticed.
create table tally (
  kind text primary key,
  documents bigint not null,
  versions numeric not null
);
insert into tally select kind, count(*), sum(version) from document group by kind;

create function count_added() returns trigger language plpgsql as $$
begin
  insert into tally as t select kind, count(*), sum(version) from added group by kind
  on conflict (kind) do update set documents = t.documents + excluded.documents, versions = t.versions + excluded.versions;
  return null;
end $$;

create function count_removed() returns trigger language plpgsql as $$
begin
  update tally t set documents = t.documents - r.documents, versions = t.versions - r.versions
  from (select kind, count(*) as documents, sum(version) as versions from removed group by kind) r
  where t.kind = r.kind;
  return null;
end $$;

create function count_changed() returns trigger language plpgsql as $$
begin
  update tally t set versions = t.versions + c.versions
  from (
    select kind, sum(versions) as versions
    from (select kind, version as versions from added union all select kind, -version from removed) as moved
    group by kind
  ) c
  where t.kind = c.kind;
  return null;
end $$;

create trigger tally_added after insert on document
  referencing new table as added for each statement execute function count_added();
create trigger tally_removed after delete on document
  referencing old table as removed for each statement execute function count_removed();
create trigger tally_changed after update on document
  referencing old table as removed new table as added for each statement execute function count_changed();

-- Documents that no longer fit, as they were found, with the reason: out of the way, and not lost.
create table set_aside (
  kind text not null,
  id text not null,
  body json not null,
  reason text not null,
  set_aside_at timestamptz not null default now(),
  primary key (kind, id, set_aside_at)
);
