-- Photographs of an amplifier that is offered, each of one point that was looked at.
create table inspection_photo (
    id           uuid        primary key,
    candidate_id uuid        not null references equipment (id) on delete cascade,
    point        text        not null check (length(point) <= 40),
    taken_at     timestamptz not null,
    jpeg         bytea       not null check (octet_length(jpeg) between 1 and 2097152)
);
create index inspection_photo_candidate on inspection_photo (candidate_id, taken_at, id);
