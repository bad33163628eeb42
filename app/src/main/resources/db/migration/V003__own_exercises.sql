-- A practice's own entries, only ever added to: the newest revision of a code is in force. An entry
-- with the code of a shipped one takes its place; without one the shipped entry is in force.
create table exercise_revision (
  id uuid primary key,
  practice_id uuid not null references practice (id),
  code varchar(100) not null,
  number int not null,
  retired boolean not null,
  entry longtext null,
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  unique key exercise_revision_number (practice_id, code, number)
);

-- What somebody has written and not yet saved; code is empty for a new exercise.
create table exercise_draft (
  id uuid primary key,
  practitioner_id uuid not null references practitioner (id),
  code varchar(100) not null,
  base int not null,
  entry longtext not null,
  made_at datetime(6) not null,
  key exercise_draft_maker (practitioner_id, made_at)
);
