-- AC supplies, settings of parts, helpers and ranges of points, cables, wires as they were found, colours of a job.
alter table job add column colours text not null default 'iec';
alter table supply add column kind text not null default 'dc';
alter table module add column settings jsonb;
alter table device add column settings jsonb;
alter table point add column helper_ids jsonb;
alter table point add column range jsonb;
alter table wire add column cable text;
alter table wire add column core text;
alter table wire add column ferrule text;
alter table wire add column landed jsonb;
