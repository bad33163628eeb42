-- Exercises that a client disliked or that provoked pain; the newest word on one holds.
create table left_out (
  id uuid primary key,
  client_id uuid not null references client (id),
  exercise varchar(80) not null,
  reason varchar(12) not null,
  practitioner_id uuid not null references practitioner (id),
  at datetime(6) not null,
  key left_out_client (client_id, at)
);
