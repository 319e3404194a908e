-- When the cabin was copied to a file, and how many changes it had seen by then.
create table backup (
  id      integer primary key,
  at      text not null,
  changes integer not null
) strict;
