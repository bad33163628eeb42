-- Reminders by mail at times of day that a client chose. The token in each of them does nothing but
-- end them, so it is kept as it is: older mails have to go on working.
create table reminder (
  id uuid primary key,
  client_id uuid not null,
  times varchar(40) not null,
  off_token varchar(64) not null,
  next_at datetime(6) null,
  unique key reminder_client (client_id),
  unique key reminder_off (off_token),
  key reminder_next (next_at),
  foreign key (client_id) references client (id)
);
-- When the client wants to be asked about the morning; null while nothing was chosen.
alter table client add column morning_from time null;
-- A reminder is sent by nobody, holds an address that ends it, and is worth nothing hours later.
alter table mail
  modify column made_by uuid null,
  add column kind varchar(12) not null default 'LINK',
  add column off_address varchar(300) null;
