-- What was changed of the station, by the operator's word: it closes what was found before.
create table alteration (
    id        uuid        primary key,
    equipment text        not null check (length(equipment) between 1 and 80),
    part      text        not null constraint alteration_part check (part in ('TUBES', 'RESISTOR', 'TANK', 'RELAY', 'FIRMWARE', 'CABLE', 'ANTENNA', 'OTHER')),
    at        timestamptz not null,
    note      text        not null check (length(note) <= 200)
);
