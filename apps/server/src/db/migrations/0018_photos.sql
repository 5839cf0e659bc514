-- Photos of points, parts, steps and results, and the pictures themselves, each once for a job.
create table photo (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  subject jsonb not null,
  caption text not null,
  width integer not null,
  height integer not null,
  bytes integer not null,
  sha256 text not null,
  by text not null,
  at text not null,
  removed jsonb,
  primary key (job_id, id)
);

create table picture (
  job_id text not null references job (id) on delete cascade,
  sha256 text not null,
  file bytea not null,
  primary key (job_id, sha256)
);
