-- Scaling of points, calibrations made at them, results in other units than volts.
alter table point add column scaling jsonb;
alter table result add column unit text;

create table calibration (
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
