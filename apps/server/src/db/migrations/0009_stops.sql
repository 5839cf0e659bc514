-- What a safety function stops, besides what its own wires lead to.
alter table point add column stops jsonb;
