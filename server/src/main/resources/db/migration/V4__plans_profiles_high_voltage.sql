-- Plans of supplies, measured profiles and high-voltage supplies: records of their own, each with its revision.
create table paper (
    id         uuid primary key,
    kind       text        not null,
    revision   integer     not null,
    name       text        not null,
    changed_at timestamptz not null,
    body       jsonb       not null
);
create unique index paper_name on paper (kind, lower(name));
