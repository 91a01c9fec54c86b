-- The log is filtered by school, and shows what a run was made under and what was seen in it.
alter table run add column school text;
alter table run add column line_voltage_v double precision;
alter table run add column ambient_c double precision;
alter table run add column arcs integer not null default 0;
alter table run add column trips integer not null default 0;
update run set
    school = (select body->'setup'->>'school' from run_event where run_id = run.id and sequence = 1),
    arcs = (select count(*) from run_event where run_id = run.id and body->>'kind' = 'signSeen' and body->>'sign' = 'ARC'),
    trips = (select count(*) from run_event where run_id = run.id and body->>'kind' = 'signSeen' and body->>'sign' = 'TRIP');
alter table run alter column school set not null;
