-- The output that a carrier that stands long wants, of climbs with dials for one.
alter table run add column long_carrier_w double precision check (long_carrier_w > 0);
update run set long_carrier_w = (e.body->'setup'->'practice'->>'wantedOutputW')::double precision
from run_event e
where e.run_id = run.id and e.sequence = 1
  and run.school in ('PEAK_THEN_HEAVIER', 'DIP_AND_LOAD', 'GRID_TARGET', 'MAKERS_CHART', 'TUNE_WHERE_YOU_RUN', 'PULSED');
