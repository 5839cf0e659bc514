-- Whoever keeps a job in memory is told, once a change is stored, where the job stands; without a revision it is gone.
create function tell_job() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' then
    perform pg_notify('keypost_job', json_build_object('id', old.id)::text);
  else
    perform pg_notify('keypost_job', json_build_object('id', new.id, 'revision', new.revision)::text);
  end if;
  return null;
end $$;

create trigger job_told after insert or update of revision or delete on job
  for each row execute function tell_job();

-- What happened to a job since a revision is read by whoever kept it at that one.
create index event_of_revision on event (job_id, revision, id);
