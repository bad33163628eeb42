-- How a client works, as the client says it.
create table workday (
  id uuid primary key,
  client_id uuid not null unique references client (id),
  hours varchar(4000) not null,
  quiet varchar(400) not null,
  times varchar(40) not null,
  apart int not null,
  shifts varchar(60) not null,
  titles boolean not null,
  -- The address under which a calendar reads the plan; none where there is no such address.
  feed varchar(64) null unique,
  -- The calendar that was taken last.
  calendar varchar(200) not null,
  calendar_at datetime(6) null,
  -- The address from which it is read again and again; empty where it was a file.
  source varchar(500) not null,
  source_fault varchar(200) not null,
  source_next datetime(6) null,
  key workday_source (source_next)
);
-- How often the practitioner wants breaks; the newest is in force.
create table break_wish (
  id uuid primary key,
  client_id uuid not null references client (id),
  preferred int not null,
  least int not null,
  most int not null,
  number int not null,
  set_by uuid not null references practitioner (id),
  set_at datetime(6) not null,
  key break_wish_client (client_id, set_at)
);
-- What is in the way: from a calendar, all of it anew each time, or put there by hand.
create table busy (
  id uuid primary key,
  client_id uuid not null references client (id),
  from_at datetime(6) not null,
  until_at datetime(6) not null,
  kind varchar(10) not null,
  title varchar(200) not null,
  by_hand boolean not null,
  key busy_client (client_id, from_at)
);
-- A day as it was planned last; more each time that it changed.
create table day_plan (
  id uuid primary key,
  client_id uuid not null references client (id),
  day date not null,
  revision int not null,
  breaks varchar(1000) not null,
  sessions varchar(200) not null,
  most_breaks int not null,
  most_sessions int not null,
  unique key day_plan_day (client_id, day)
);
-- What was told of a break: that it was had, put off, left out, or not answered. Only added to.
create table desk_moment (
  id uuid primary key,
  client_id uuid not null references client (id),
  upload_id uuid not null,
  kind varchar(10) not null,
  at datetime(6) not null,
  key desk_moment_client (client_id, at),
  unique key desk_moment_upload (client_id, upload_id)
);
-- Where a client put a session of a day.
create table session_place (
  id uuid primary key,
  client_id uuid not null references client (id),
  day date not null,
  place int not null,
  at datetime(6) not null,
  unique key session_place_day (client_id, day, place)
);
