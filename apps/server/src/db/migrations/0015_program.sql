-- What switches an output.
alter table point add column program jsonb;
