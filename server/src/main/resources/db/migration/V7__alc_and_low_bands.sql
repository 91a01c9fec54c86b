-- A run may try levels into an exciter, and two bands lie below 1.8 MHz.
alter table run
    drop constraint run_school,
    add constraint run_school check (school in ('PEAK_THEN_HEAVIER', 'DIP_AND_LOAD', 'GRID_TARGET', 'MAKERS_CHART',
                                                'TUNE_WHERE_YOU_RUN', 'PULSED', 'DRIVE_TABLE', 'ALC')),
    drop constraint run_band,
    add constraint run_band check (band in ('KHZ_137', 'KHZ_472', 'MHZ_1_8', 'MHZ_3_5', 'MHZ_5', 'MHZ_7', 'MHZ_10',
                                            'MHZ_14', 'MHZ_18', 'MHZ_21', 'MHZ_24', 'MHZ_28', 'MHZ_50'));
alter table card_row
    drop constraint card_row_band,
    add constraint card_row_band check (band in ('KHZ_137', 'KHZ_472', 'MHZ_1_8', 'MHZ_3_5', 'MHZ_5', 'MHZ_7', 'MHZ_10',
                                                 'MHZ_14', 'MHZ_18', 'MHZ_21', 'MHZ_24', 'MHZ_28', 'MHZ_50'));
