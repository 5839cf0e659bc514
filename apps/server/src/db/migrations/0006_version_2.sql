-- Version 2 of a job: several outputs of a device, figures and kinds of one's own, fingerprints of stamps and results.
-- What hangs on the meaning of a row is brought over by `upgradeToVersion2`; 0007 then drops what it read.
alter table supply rename column inner_ohms to internal_ohms;
alter table module rename column by_hand to override;
alter table module add column figures jsonb;
alter table device rename column by_hand to override;
alter table device add column figures jsonb;
alter table device add column outputs jsonb;
alter table point add column output_id text;
alter table wire rename column landed to as_found;
alter table stamp add column fingerprint jsonb not null default '{"version 1": ""}';
alter table stamp add column "values" jsonb;
alter table result add column fingerprint jsonb not null default '{"version 1": ""}';
alter table event rename column shelf to collection;
-- Events are only ever added: what they say stays, only the shape of a result's limits is brought over.
alter table event disable trigger event_is_append_only;
update event
   set after = jsonb_set(after - 'subject', '{expected}',
         case when after->'expected' ? 'min' then (after->'expected') - 'text'
              else jsonb_build_object('seen', coalesce(after->'expected'->>'text', '') not in ('off', 'out', '0', 'other', 'no'))
         end)
 where collection = 'results' and after is not null;
alter table event enable trigger event_is_append_only;

create table own_device (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  description jsonb not null,
  primary key (job_id, id)
);

create table own_module (
  job_id text not null references job (id) on delete cascade,
  id text not null,
  seq bigserial,
  revision integer not null default 1,
  description jsonb not null,
  primary key (job_id, id)
);
