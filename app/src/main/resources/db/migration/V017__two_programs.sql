-- A client may have a desk program beside the main one: each with its own draft and versions.
alter table draft add column program varchar(8) not null default 'MAIN' after client_id;
create unique index draft_open_program on draft (client_id, program, open_slot);
drop index draft_open on draft;

alter table program_version add column program varchar(8) not null default 'MAIN' after client_id;
create unique index program_version_of on program_version (client_id, program, number);
drop index program_version_number on program_version;

alter table session_record add column program varchar(8) not null default 'MAIN' after client_id;
create index session_program on session_record (client_id, program, started_at);
