-- A version is never changed; that it was withdrawn stands beside it.
create table version_withdrawal (
  version_id uuid primary key references program_version (id),
  client_id uuid not null references client (id),
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  why varchar(300) not null,
  key version_withdrawal_client (client_id)
);
