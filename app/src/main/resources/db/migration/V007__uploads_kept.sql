-- What was done past a closed gate is kept, but is no session for the gate; what of an upload had to
-- be put right is said beside it.
alter table session_record
  add column while_closed boolean not null default false,
  add column put_right varchar(300) not null default '';
