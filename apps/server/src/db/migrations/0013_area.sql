-- Where in the plant a point is.
alter table point add column area text;
