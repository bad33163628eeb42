-- Answers as they were given, in the form's own version; only ever added to. Without a practitioner:
-- the client has answered through the link.
create table screening (
  id uuid primary key,
  client_id uuid not null references client (id),
  form_version int not null,
  answers longtext not null,
  local_date date not null,
  practitioner_id uuid null references practitioner (id),
  at datetime(6) not null,
  key screening_client (client_id, at)
);

-- What a practitioner has examined and found about one screening; the newest is in force.
create table clearance (
  id uuid primary key,
  screening_id uuid not null references screening (id),
  examined varchar(500) not null,
  found varchar(500) not null,
  medical_outcome varchar(500) not null,
  practitioner_id uuid not null references practitioner (id),
  at datetime(6) not null,
  key clearance_screening (screening_id, at)
);

-- The screening itself decides now, not a tick beside the button.
alter table program_version drop column screened_by_hand;
