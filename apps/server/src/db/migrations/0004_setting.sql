-- Settings of devices: name-plates, what is wanted by hand, what was found and left, description files, plans of buses.
alter table job add column mains_hertz integer not null default 50 check (mains_hertz in (50, 60));
alter table point add column plate jsonb;
alter table device add column by_hand jsonb;
alter table device add column description_id text;
alter table module add column by_hand jsonb;
alter table module add column link text;

create table entry (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  item_id text not null,
  side text not null check (side in ('found', 'left')),
  how text not null check (how in ('typed', 'read')),
  "values" jsonb not null,
  by text not null,
  at text not null,
  primary key (job_id, id)
);

create table description (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  file_name text not null,
  text text not null,
  primary key (job_id, id)
);

create table plan (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  kind text not null,
  tag text not null,
  mm2 double precision,
  bias jsonb,
  link text,
  framing text,
  units jsonb,
  members jsonb,
  primary key (job_id, id)
);
