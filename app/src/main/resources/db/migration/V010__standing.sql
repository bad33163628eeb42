-- What a practitioner wants to know of each client at once, one row for each who is treated now. It is
-- made from the records and can be made again from them at any time; facts has the form that its
-- column says. valid_until is when time alone changes it, null where it does not.
create table standing (
  client_id uuid primary key references client (id),
  practice_id uuid not null references practice (id),
  practitioner_id uuid not null references practitioner (id),
  name varchar(120) not null,
  phone varchar(40) not null,
  email varchar(254) not null,
  zone varchar(64) not null,
  attention varchar(24) not null,
  place int not null,
  urgent boolean not null,
  since datetime(6) not null,
  valid_until datetime(6) null,
  form int not null,
  facts longtext not null,
  key standing_place (practice_id, place, name),
  key standing_name (practice_id, urgent, name),
  key standing_due (practice_id, valid_until)
);

-- The newest of a client, and those of the week, without reading all of them.
create index session_day on session_record (client_id, local_date);
