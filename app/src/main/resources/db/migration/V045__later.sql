-- Who is looked at later, and why; at most one for each client.
create table put_off (
  client_id uuid primary key references client (id),
  what varchar(24) not null,
  put_at datetime(6) not null,
  until_at datetime(6) not null,
  reason varchar(200) not null,
  by_id uuid not null references practitioner (id)
);
