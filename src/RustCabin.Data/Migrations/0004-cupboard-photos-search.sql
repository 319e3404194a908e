-- What lies in the store cupboard, each thing as one JSON object, and every change to it with what stood before, so that it can be undone.
create table stock (
  id      integer primary key autoincrement,
  json    text not null,
  version integer not null
) strict;

create table stock_change (
  seq    integer primary key,
  stock  integer not null,
  at     text not null,
  what   text not null,
  before text,
  after  text,
  undone integer not null default 0 check (undone in (0, 1))
) strict;

-- Pictures of units, already cleaned of position and camera. hidden = 1: taken off the page, and can be put back.
create table photo (
  id     integer primary key,
  unit   text not null,
  at     text not null,
  kind   text not null check (kind in ('image/png', 'image/jpeg', 'image/webp')),
  note   text not null,
  bytes  blob not null,
  hidden integer not null default 0 check (hidden in (0, 1))
) strict;
create index photo_by_unit on photo (unit);

-- Imports, with every sheet as it stood before and after, so that a whole import can be undone.
create table import_log (
  id     integer primary key,
  at     text not null,
  source text not null,
  undone integer not null default 0 check (undone in (0, 1))
) strict;

create table import_change (
  import integer not null references import_log (id),
  kind   text not null,
  id     text not null,
  before text,
  after  text not null,
  primary key (import, kind, id)
) strict;

-- Search. find holds what there is (sheets, jobs, stock, pictures), ranked; find_log what was done, newest first. Triggers keep both, so that
-- nothing that writes can forget to. Row ids are the source's times eight plus its kind.
create virtual table find using fts5 (title, body, kind unindexed, key unindexed, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3');
create virtual table find_log using fts5 (body, job unindexed, at unindexed, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3');

create trigger sheet_found after insert on sheet begin
  insert into find (rowid, title, body, kind, key) values (new.rowid * 8 + 1, new.name,
    (select group_concat(atom, ' ') from json_tree(new.json) where type = 'text'), new.kind, new.id);
end;
create trigger sheet_changed after update on sheet begin
  delete from find where rowid = old.rowid * 8 + 1;
  insert into find (rowid, title, body, kind, key) values (new.rowid * 8 + 1, new.name,
    (select group_concat(atom, ' ') from json_tree(new.json) where type = 'text'), new.kind, new.id);
end;
create trigger sheet_gone after delete on sheet begin
  delete from find where rowid = old.rowid * 8 + 1;
end;

create trigger job_moved after update of position on job begin
  delete from find where rowid = old.rowid * 8 + 2;
  insert into find (rowid, title, body, kind, key)
    select new.rowid * 8 + 2, json_extract(c.json, '$.name'), (select group_concat(atom, ' ') from json_tree(c.json) where type = 'text'), 'job', new.id
    from job_change c where c.job = new.id and c.seq = new.position;
end;
create trigger job_gone after delete on job begin
  delete from find where rowid = old.rowid * 8 + 2;
end;

create trigger change_logged after insert on job_change begin
  insert into find_log (rowid, body, job, at) values (new.rowid, new.what, new.job, new.at);
end;
create trigger change_gone after delete on job_change begin
  delete from find_log where rowid = old.rowid;
end;

create trigger stock_found after insert on stock begin
  insert into find (rowid, title, body, kind, key) values (new.id * 8 + 3, json_extract(new.json, '$.name'),
    (select group_concat(atom, ' ') from json_tree(new.json) where type = 'text'), 'stock', new.id);
end;
create trigger stock_changed after update on stock begin
  delete from find where rowid = old.id * 8 + 3;
  insert into find (rowid, title, body, kind, key) values (new.id * 8 + 3, json_extract(new.json, '$.name'),
    (select group_concat(atom, ' ') from json_tree(new.json) where type = 'text'), 'stock', new.id);
end;
create trigger stock_gone after delete on stock begin
  delete from find where rowid = old.id * 8 + 3;
end;

create trigger photo_found after insert on photo begin
  insert into find (rowid, title, body, kind, key) values (new.id * 8 + 4, new.note, '', 'photo', new.unit);
end;
create trigger photo_changed after update of note, hidden on photo begin
  delete from find where rowid = old.id * 8 + 4;
  insert into find (rowid, title, body, kind, key) select new.id * 8 + 4, new.note, '', 'photo', new.unit where new.hidden = 0;
end;

-- What is here already.
insert into find (rowid, title, body, kind, key)
  select rowid * 8 + 1, name, (select group_concat(atom, ' ') from json_tree(sheet.json) where type = 'text'), kind, id from sheet;
insert into find (rowid, title, body, kind, key)
  select j.rowid * 8 + 2, json_extract(c.json, '$.name'), (select group_concat(atom, ' ') from json_tree(c.json) where type = 'text'), 'job', j.id
  from job j join job_change c on c.job = j.id and c.seq = j.position;
insert into find_log (rowid, body, job, at) select rowid, what, job, at from job_change;
