-- Exercises and what was done in them; they enter no log, card or trend.
create table practice (
    id         uuid             primary key,
    lesson     text             not null check (length(lesson) <= 40),
    seed       integer          not null check (seed between 0 and 999999),
    helped     boolean          not null,
    started_at timestamptz      not null,
    ended_at   timestamptz,
    points     double precision check (points between 0 and 100),
    body       jsonb            not null
);
create index practice_started_at on practice (started_at desc, id);

create table practice_act (
    practice_id uuid             not null references practice (id) on delete cascade,
    sequence    integer          not null check (sequence > 0),
    client_id   uuid             not null,
    at_s        double precision not null check (at_s >= 0),
    body        jsonb            not null,
    primary key (practice_id, sequence),
    unique (practice_id, client_id)
);
