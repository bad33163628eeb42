-- A client who is away or ill: days on which nothing is missed. Told by a practitioner, or by the
-- client where that is empty.
create table pause (
  id uuid primary key,
  client_id uuid not null references client (id),
  kind varchar(8) not null,
  from_day date not null,
  until_day date not null,
  fever boolean not null,
  told_by uuid null references practitioner (id),
  told_at datetime(6) not null,
  ended_on date null,
  key pause_client (client_id, told_at)
);

-- A flare, during which the plan that was set ahead is done instead of everything else.
create table flare (
  id uuid primary key,
  client_id uuid not null references client (id),
  version_id uuid not null references program_version (id),
  days int not null,
  begun_at datetime(6) not null,
  ended_at datetime(6) null,
  ended_how varchar(16) null,
  ended_by uuid null references practitioner (id),
  key flare_client (client_id, begun_at)
);
