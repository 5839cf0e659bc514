-- Which decimal mark the job's numbers are typed and written to files with.
alter table job add column numbers text not null default 'point';
