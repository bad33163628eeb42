-- Mail to clients: written in the transaction that wants it sent, sent after that, by whoever takes
-- it first. The text holds a link and is kept no longer than until it is sent or given up.
create table mail (
  id uuid primary key,
  practice_id uuid not null references practice (id),
  client_id uuid not null references client (id),
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  sender varchar(200) not null,
  recipient varchar(254) not null,
  subject varchar(200) not null,
  text longtext null,
  state varchar(12) not null,
  due_at datetime(6) null,
  tries int not null,
  changed_at datetime(6) not null,
  answer varchar(300) not null,
  key mail_client (client_id, made_at),
  key mail_due (due_at)
);
