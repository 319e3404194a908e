-- A job and which of its states is the present one. version counts every write: a tab that knows an older one may not overwrite.
create table job (
  id       text primary key,
  unit     text not null,
  position integer not null,
  version  integer not null
) strict;

-- Each change of a job with the whole job after it. Nothing is deleted: a state that was taken back and then built over is dropped = 1.
create table job_change (
  job     text not null references job (id) on delete cascade,
  seq     integer not null,
  at      text not null,
  what    text not null,
  json    text not null,
  dropped integer not null default 0 check (dropped in (0, 1)),
  primary key (job, seq)
) strict;

create index job_by_unit on job (unit);
