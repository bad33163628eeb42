-- Notes of visits and letters: what is signed never changes, and is amended by another one.
create table writing (
  id uuid primary key,
  client_id uuid not null references client (id),
  kind varchar(16) not null,
  day date not null,
  recipient varchar(400) not null,
  head longtext not null,
  sections longtext not null,
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  signed_at datetime(6) null,
  amends uuid null references writing (id),
  version int not null,
  key writing_client (client_id, signed_at)
);
