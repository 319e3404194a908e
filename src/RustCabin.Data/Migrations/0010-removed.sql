-- Units and jobs that were taken off the shelf. Nothing of them is deleted: without its row here each is there again.
create table removed (
  kind text not null check (kind in ('unit', 'job')),
  id   text not null,
  at   text not null,
  primary key (kind, id)
) strict;
