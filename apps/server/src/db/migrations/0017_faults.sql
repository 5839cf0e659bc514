-- Faults as they were reported, looked for and mended.
create table fault (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  point_id text not null,
  body jsonb not null,
  by text not null,
  at text not null,
  primary key (job_id, id)
);
