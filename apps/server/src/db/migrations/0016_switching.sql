-- What switches at the value of a point.
alter table point add column switching jsonb;
