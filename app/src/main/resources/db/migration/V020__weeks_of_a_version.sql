-- A version keeps the draft that it was made of: targets, phases, and what comes in later weeks.
alter table program_version
  add column draft longtext null check (draft is null or json_valid(draft));
