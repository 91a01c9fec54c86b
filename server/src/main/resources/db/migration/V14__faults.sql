-- Cases of something that is wrong; they may stay open over days. What cured one is the code of its cause.
create table fault_case (
    id         uuid        primary key,
    revision   integer     not null check (revision > 0),
    opened_at  timestamptz not null,
    changed_at timestamptz not null,
    cured      text        check (length(cured) <= 40),
    body       jsonb       not null
);
