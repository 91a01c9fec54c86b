-- The output of each step in watts, for the small stair in the log: "138,235,380"; null of a run that an earlier Tubrin kept.
alter table run add column stair text check (length(stair) <= 4000);
