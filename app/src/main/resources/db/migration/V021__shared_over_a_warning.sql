-- What was warned of when a version was shared, and why it was shared all the same.
alter table program_version
  add column shared_over longtext null check (shared_over is null or json_valid(shared_over)),
  add column reason varchar(300) not null default '';
