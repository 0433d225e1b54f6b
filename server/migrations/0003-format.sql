-- Which version of the portable format a document was written in: an older one is brought up to date when the studio
-- is opened, by the same steps that read an older file.
alter table document add column format smallint not null default 1;
alter table set_aside add column format smallint not null default 1;
