-- Chains of ROM operations by name, for every unit of the cabin. One taken off the page is not deleted, so that it can be put back.
create table rom_recipe (
  id     integer primary key,
  name   text not null unique,
  ops    text not null,
  hidden integer not null default 0
) strict;
