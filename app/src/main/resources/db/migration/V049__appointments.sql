-- Appointments as the calendar file of a practice has them; a newer file takes the place of all.
create table calendar_file (
  practice_id uuid primary key references practice (id),
  name varchar(200) not null,
  taken_by uuid not null references practitioner (id),
  taken_at datetime(6) not null
);
create table appointment (
  id uuid primary key,
  practice_id uuid not null references practice (id),
  client_id uuid null references client (id),
  from_at datetime(6) not null,
  until_at datetime(6) not null,
  title varchar(200) not null,
  key appointment_day (practice_id, from_at)
);
