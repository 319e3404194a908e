-- Sheets that are being written in the editor: every state, so that each step can be undone and nothing typed is lost. key is the id of the
-- sheet that is changed, or 'new'.
create table draft (
  kind text not null,
  key  text not null,
  seq  integer not null,
  at   text not null,
  what text not null,
  json text not null,
  primary key (kind, key, seq)
) strict;
