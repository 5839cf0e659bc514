-- Jobs and their rows. Every row belongs to one job and carries a revision; `seq` keeps the order of entry.
create table job (
  id text primary key,
  name text not null,
  site text not null,
  revision integer not null default 1,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now()
);

create table supply (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  tag text not null,
  volts double precision not null,
  tolerance_percent double precision not null,
  inner_ohms double precision not null,
  limit_amps double precision not null check (limit_amps > 0),
  primary key (job_id, id)
);

create table module (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  tag text not null,
  type_id text not null,
  first_byte integer not null check (first_byte >= 0),
  primary key (job_id, id)
);

create table device (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  tag text not null,
  type_id text not null,
  output text not null,
  logic text not null,
  primary key (job_id, id)
);

create table point (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  tag text not null,
  name text not null,
  device_id text not null,
  bit text not null,
  primary key (job_id, id)
);

create table wire (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  number text not null,
  from_terminal text not null,
  to_terminal text not null,
  colour text not null,
  length_m double precision not null check (length_m > 0),
  mm2 double precision not null check (mm2 > 0),
  primary key (job_id, id)
);

create table stamp (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  point_id text not null,
  step text not null,
  subject text not null,
  by text not null,
  at text not null,
  undone jsonb,
  primary key (job_id, id)
);

create table result (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  point_id text not null,
  "check" text not null,
  subject text not null,
  expected jsonb not null,
  measured jsonb not null,
  pass boolean not null,
  difference double precision not null,
  instrument jsonb,
  by text not null,
  at text not null,
  primary key (job_id, id)
);

-- What was done, by whom and when. Rows are only ever added; they outlive the job.
create table event (
  id bigserial primary key,
  job_id text not null,
  change_id text not null,
  at timestamptz not null default now(),
  by text not null,
  what text not null,
  shelf text not null,
  row_id text not null,
  before jsonb,
  after jsonb,
  revision integer not null
);

create index event_of_job on event (job_id, id desc);
create index event_of_change on event (job_id, change_id);

create function refuse_change_of_event() returns trigger language plpgsql as $$
begin
  raise exception 'Events are only ever added.';
end
$$;

create trigger event_is_append_only before update or delete on event
for each row execute function refuse_change_of_event();
