-- Screening keeps what its gate is decided on, also what others have seen: only ever added to. at is when
-- it was, known_at when the practice learned of it, day the client's day of a session.
create table gate_fact (
  id uuid primary key,
  client_id uuid not null references client (id),
  kind varchar(16) not null,
  at datetime(6) not null,
  known_at datetime(6) not null,
  day date null,
  key gate_fact_client (client_id, kind, known_at, at, day)
);
insert into gate_fact
  select uuid(), client_id, case kind
      when 'STOPPED' then 'STOP'
      when 'SHARED' then 'LOOKED_AT'
      when 'FULL_DOSES' then 'LOOKED_AT'
      when 'NEW_EPISODE' then 'ASK_AGAIN'
      else kind end, at, at, null
  from client_event
  where kind in ('STOPPED', 'DEALT_WITH', 'SHARED', 'FULL_DOSES', 'ASK_AGAIN', 'NEW_EPISODE', 'REACTIVATED');
insert into gate_fact
  select uuid(), client_id, 'REACTIVATED', at, at, null from client_event where kind = 'NEW_EPISODE';
insert into gate_fact
  select uuid(), client_id, 'ARCHIVED', at, at, null from client_event where kind = 'ARCHIVED';
insert into gate_fact
  select uuid(), id, 'ARCHIVED', archived_at, archived_at, null from client where archived_at is not null;
insert into gate_fact
  select uuid(), client_id, 'STOP', started_at, received_at, null from session_record where ended = 'STOPPED';
insert into gate_fact
  select uuid(), client_id, 'SESSION', started_at, received_at, local_date from session_record
  where while_closed = false and seconds_done > 0;

-- What waits to be dealt with, under the name of the attention that it asks for.
create table matter (
  id uuid primary key,
  client_id uuid not null references client (id),
  at datetime(6) not null,
  attention varchar(24) not null,
  detail varchar(500) not null,
  key matter_client (client_id, attention, at)
);
insert into matter
  select id, client_id, at, kind, detail from client_event
  where kind in ('STOPPED', 'WHILE_CLOSED', 'MAP_ASKS', 'PAIN_TOO_HIGH');
delete from client_event where kind in
  ('STOPPED', 'WHILE_CLOSED', 'MAP_ASKS', 'PAIN_TOO_HIGH', 'SHARED', 'FULL_DOSES', 'ASK_AGAIN');

-- Counts up with everything that a practice shares, so that a process knows whether what it keeps holds.
alter table practice add column changes int not null default 0;
