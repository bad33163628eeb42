-- What was done of each item and side is the record; sums are read off it. The number of the version is
-- what the device has told.
alter table session_record add column version int not null default 0;
update session_record s join program_version v on v.id = s.program_version_id set s.version = v.number;
alter table session_record
  alter column version drop default,
  drop column stretch_left,
  drop column stretch_right;
alter table session_item drop column skipped;
