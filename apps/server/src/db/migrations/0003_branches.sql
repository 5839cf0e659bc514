-- Branches of a supply with their fuse or breaker, and loads that the job does not hold.
alter table supply add column feed jsonb;
alter table supply add column other_amps double precision;
