-- How often what a job says of itself was changed, as every row counts it; and one change is looked for by its id.
alter table job add column head_revision integer not null default 1;
create index if not exists event_of_change on event (job_id, change_id);
