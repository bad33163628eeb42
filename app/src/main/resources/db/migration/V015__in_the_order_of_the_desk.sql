-- The front desk's order is one that an index has: those about whom somebody is told at once come first.
alter table standing
  drop index standing_name,
  change urgent calm boolean not null;
update standing set calm = not calm;
create index standing_desk on standing (practice_id, calm, name);
