-- What jobs took out of the store cupboard when a step was ticked, and what came into it (count below 0). A row goes when the tick is taken
-- back, so that the cupboard holds again what it held.
create table stock_use (
  job   text not null,
  step  text not null,
  piece text not null,
  stock integer not null,
  count integer not null
) strict;
create index stock_use_by_job on stock_use (job);
create index stock_use_by_stock on stock_use (stock);
