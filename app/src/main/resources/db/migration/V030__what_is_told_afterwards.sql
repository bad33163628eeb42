-- After a session: where pain rose and where it pulled too hard ("0L 3R 4"), and why something was
-- left out ("2=HURT").
alter table check_in
  add column provoked varchar(1000) not null default '',
  add column too_strong varchar(1000) not null default '',
  add column skipped varchar(1000) not null default '';

-- What is told between two sessions: whether pain has settled, how the morning was. Each once, by
-- the id that the device gave it; the newest of a session or a day counts.
create table follow_up (
  id uuid primary key,
  client_id uuid not null references client (id),
  upload_id uuid not null,
  content_hash varchar(64) not null,
  kind varchar(12) not null,
  session_upload_id uuid null,
  day date null,
  settled boolean null,
  pain int null,
  woken boolean null,
  told_at datetime(6) not null,
  received_at datetime(6) not null,
  unique key follow_up_upload (client_id, upload_id),
  key follow_up_told (client_id, told_at),
  key follow_up_session (client_id, session_upload_id)
);

-- What a client asks and a practitioner answers; seen_at is when the client read the answer.
create table message (
  id uuid primary key,
  client_id uuid not null references client (id),
  by_practitioner uuid null references practitioner (id),
  text varchar(1000) not null,
  at datetime(6) not null,
  seen_at datetime(6) null,
  key message_thread (client_id, at)
);

-- Attention counts anew from here on: the list is made again from the records.
delete from standing;

-- On which days of the week a client does a program (1 Monday to 7), and the last day that was
-- changed for another.
create table chosen_days (
  id uuid primary key,
  client_id uuid not null references client (id),
  program varchar(8) not null,
  days varchar(20) not null,
  moved_from date null,
  moved_to date null,
  unique key chosen_days_program (client_id, program)
);
