-- Settings of a practice, with their history: a change is a new row that names the one it replaces.
create table practice_setting (
  id uuid primary key,
  practice_id uuid not null references practice (id),
  name varchar(32) not null,
  value longtext not null,
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  supersedes uuid null references practice_setting (id),
  unique key practice_setting_supersedes (supersedes),
  key practice_setting_current (practice_id, name, made_at)
);

alter table session_record add column length varchar(8) not null default 'USUAL' after lead;
