-- A run may set power by supply volts, or keep an antenna in resonance.
alter table run
    drop constraint run_school,
    add constraint run_school check (school in ('PEAK_THEN_HEAVIER', 'DIP_AND_LOAD', 'GRID_TARGET', 'MAKERS_CHART',
                                                'TUNE_WHERE_YOU_RUN', 'PULSED', 'DRIVE_TABLE', 'ALC', 'BIAS', 'MATCHER',
                                                'CHAIN', 'WAVEFORM', 'SUPPLY_TABLE', 'RESONANCE'));
