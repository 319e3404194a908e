-- Models, parts, units and titles, each as the JSON of its sheet, as typed. Everything else about them is computed.
create table sheet (
  kind        text not null check (kind in ('model', 'part', 'unit', 'title')),
  id          text not null,
  name        text not null,
  json        text not null,
  imported_at text not null,
  primary key (kind, id)
) strict;

-- One currency for the cabin, and what else there is one of.
create table setting (
  name  text primary key,
  value text not null
) strict;
