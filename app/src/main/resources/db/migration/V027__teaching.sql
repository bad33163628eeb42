-- A program taught in the room: what was seen of each item on each side, and the note that comes of
-- it.
create table teaching (
  id uuid primary key,
  client_id uuid not null references client (id),
  version_id uuid not null references program_version (id),
  practitioner_id uuid not null references practitioner (id),
  begun_at datetime(6) not null,
  note varchar(2000) not null,
  kept_at datetime(6) null,
  key teaching_client (client_id, begun_at)
);

create table teaching_mark (
  id uuid primary key,
  teaching_id uuid not null references teaching (id),
  step int not null,
  kind varchar(8) not null,
  fault int not null,
  at datetime(6) not null,
  unique key teaching_mark_once (teaching_id, step, kind, fault)
);

-- What a client usually does wrong, as the entry says it: said in the player.
create table usual_fault (
  id uuid primary key,
  client_id uuid not null references client (id),
  exercise varchar(64) not null,
  what varchar(300) not null,
  set_by uuid not null references practitioner (id),
  set_at datetime(6) not null,
  key usual_fault_client (client_id)
);
