-- Who of a practice is away from a day to a day, and who looks after their clients then.
create table absence (
  id uuid primary key,
  practice_id uuid not null references practice (id),
  who_id uuid not null references practitioner (id),
  cover_id uuid not null references practitioner (id),
  from_day date not null,
  last_day date not null,
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  ended_at datetime(6) null,
  key absence_practice (practice_id, last_day)
);
-- Who else looks after a client, as a list of ids, so that a list of them costs one statement.
alter table standing add column team text not null default '';
