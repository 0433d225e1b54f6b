-- Everything the director decided, one row a document, as the portable file names it.
-- Nothing that can be computed is kept. The body is written with its keys in the order of the schema, and read by it.
create sequence revision;

create table document (
  kind text not null,
  id text not null,
  -- Order in the studio and in the export: when it was first kept.
  place bigint not null,
  -- Of one sequence over all documents: a document deleted and made again never repeats a version.
  version bigint not null default nextval('revision'),
  body json not null,
  saved_at timestamptz not null default now(),
  primary key (kind, id)
);

create index document_in_order on document (kind, place);
