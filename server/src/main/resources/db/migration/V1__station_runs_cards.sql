-- The first slice: the station's equipment, runs as lists of events, and the rows that finished runs leave on a card.
create table station (
    only_one boolean primary key default true check (only_one),
    revision integer not null,
    body     jsonb   not null
);

create table equipment (
    id       uuid primary key,
    revision integer not null,
    name     text    not null,
    body     jsonb   not null
);
create unique index equipment_name on equipment (lower(name));

create table run (
    id            uuid primary key,
    started_at    timestamptz not null,
    last_at       timestamptz not null,
    last_sequence bigint      not null,
    amplifier     text        not null,
    termination   text        not null,
    band          text        not null,
    frequency_hz  double precision not null,
    ending        text,
    steps         integer     not null,
    output_w      double precision
);
create index run_started on run (started_at desc);

create table run_event (
    run_id    uuid        not null references run (id),
    sequence  bigint      not null check (sequence > 0),
    client_id uuid        not null,
    at        timestamptz not null,
    version   integer     not null,
    body      jsonb       not null,
    primary key (run_id, sequence)
);
create index run_event_client on run_event (run_id, client_id);

create table card_row (
    run_id      uuid primary key references run (id),
    amplifier   text        not null,
    band        text        not null,
    termination text        not null,
    verified_at timestamptz not null,
    body        jsonb       not null
);
create index card_row_place on card_row (amplifier, band, termination, verified_at desc);
