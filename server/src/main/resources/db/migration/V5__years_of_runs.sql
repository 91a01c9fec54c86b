-- Years of runs: what cards and trends show of them is kept beside them, only indexes that are asked stay, codes are checked.
drop index run_event_client; -- the id of an act is looked for among the events of its run, which the key finds
drop index run_started;
create index run_newest on run (started_at desc, id desc);
create index run_going on run (started_at desc) where ending is null;
create index run_place on run (amplifier, band, termination, school, ending);
alter table run
    add constraint run_band check (band in ('MHZ_1_8', 'MHZ_3_5', 'MHZ_5', 'MHZ_7', 'MHZ_10', 'MHZ_14', 'MHZ_18', 'MHZ_21',
                                            'MHZ_24', 'MHZ_28', 'MHZ_50')),
    add constraint run_ending check (ending in ('FINISHED', 'ABANDONED')),
    add constraint run_school check (school in ('PEAK_THEN_HEAVIER', 'DIP_AND_LOAD', 'GRID_TARGET', 'MAKERS_CHART',
                                                'TUNE_WHERE_YOU_RUN', 'PULSED')),
    add constraint run_counts check (last_sequence > 0 and steps >= 0 and arcs >= 0 and trips >= 0);
alter table run_event add constraint run_event_version check (version > 0);
alter table card_row
    add constraint card_row_band check (band in ('MHZ_1_8', 'MHZ_3_5', 'MHZ_5', 'MHZ_7', 'MHZ_10', 'MHZ_14', 'MHZ_18',
                                                 'MHZ_21', 'MHZ_24', 'MHZ_28', 'MHZ_50'));
alter table paper
    add constraint paper_kind check (kind in ('PLAN', 'PROFILE', 'HIGH_VOLTAGE')),
    add constraint paper_revision check (revision > 0);
alter table station add constraint station_revision check (revision > 0);
alter table equipment add constraint equipment_revision check (revision > 0);

-- The rows of a card at one frequency: how many there are, the newest and the first of them.
create table card_spot (
    amplifier       text             not null,
    band            text             not null,
    termination     text             not null,
    switch_position text             not null, -- empty where the amplifier has no switch
    frequency_hz    double precision not null,
    times           integer          not null check (times > 0),
    newest          uuid             not null references card_row (id),
    first           uuid             not null references card_row (id),
    primary key (amplifier, band, termination, switch_position, frequency_hz)
);
insert into card_spot
select amplifier, band, termination, coalesce(body->>'switchPosition', ''), (body->>'frequencyHz')::double precision, count(*),
       (array_agg(id order by verified_at desc, id))[1], (array_agg(id order by verified_at, id desc))[1]
from card_row group by 1, 2, 3, 4, 5;

-- What trends are made of, of each finished run; the version says how it was reckoned.
create table run_figures (
    run_id      uuid        primary key references run (id),
    amplifier   text        not null,
    band        text        not null,
    termination text        not null,
    at          timestamptz not null,
    version     integer     not null check (version > 0),
    body        jsonb       not null
);
create index run_figures_place on run_figures (amplifier, band, termination, at);

-- How often runs were begun, ended, or put back: whoever keeps a count or a trend sees by it whether it is still right.
create table run_change (
    only_one boolean primary key default true check (only_one),
    changes  bigint not null
);
insert into run_change (changes) values (0);
