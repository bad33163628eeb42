-- What the practitioner says to the client with a version.
alter table program_version add column note varchar(500) not null default '' after seconds;
