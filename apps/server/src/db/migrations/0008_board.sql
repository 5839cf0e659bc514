-- How far each point of a job was when it was last worked out, and the revision of the job that it holds for.
create table board (
  job_id text primary key references job (id) on delete cascade,
  revision integer not null,
  rows jsonb not null
);
