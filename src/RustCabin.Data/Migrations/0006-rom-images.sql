-- Images of ROM devices. They belong to their owners and stay with the unit in this file: no pack carries them. Taken off the page is not deleted, so that it can be undone.
create table rom_image (
  id     integer primary key,
  unit   text not null,
  at     text not null,
  name   text not null,
  origin text not null,
  right  text not null,
  bytes  blob not null,
  hidden integer not null default 0
) strict;
create index rom_image_of_unit on rom_image (unit);
