-- Dials for a carrier that stands long are a line of the card of their own.
alter table card_spot
    add column dials_for text not null default 'SPEECH_AND_CW',
    add constraint card_spot_dials_for check (dials_for in ('SPEECH_AND_CW', 'LONG_CARRIER'));
alter table card_spot drop constraint card_spot_pkey;
alter table card_spot add primary key (amplifier, band, termination, switch_position, dials_for, frequency_hz);
alter table card_spot alter column dials_for drop default;
