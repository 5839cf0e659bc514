-- In which units the job's quantities are shown first.
alter table job add column units text not null default 'metric';
