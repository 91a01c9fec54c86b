-- A run may look at a scope over the load.
alter table run
    drop constraint run_school,
    add constraint run_school check (school in ('PEAK_THEN_HEAVIER', 'DIP_AND_LOAD', 'GRID_TARGET', 'MAKERS_CHART',
                                                'TUNE_WHERE_YOU_RUN', 'PULSED', 'DRIVE_TABLE', 'ALC', 'BIAS', 'MATCHER',
                                                'CHAIN', 'WAVEFORM'));
