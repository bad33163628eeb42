-- What was made easier during a session, as "0L 3R 4".
alter table session_record add column eased varchar(1000) not null default '';
