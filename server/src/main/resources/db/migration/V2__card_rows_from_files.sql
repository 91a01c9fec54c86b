-- Card rows may also come from a file, without a run of their own.
alter table card_row add column id uuid;
update card_row set id = run_id;
alter table card_row drop constraint card_row_pkey;
alter table card_row alter column run_id drop not null;
alter table card_row add primary key (id);
create unique index card_row_run on card_row (run_id);
