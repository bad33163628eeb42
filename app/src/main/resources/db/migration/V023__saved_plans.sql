-- Plans of a practice, to begin with; taken out of use they stay.
create table saved_plan (
  id uuid primary key,
  practice_id uuid not null references practice (id),
  program varchar(10) not null,
  title varchar(120) not null,
  for_whom varchar(300) not null,
  plan longtext not null check (json_valid(plan)),
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  retired_at datetime(6) null,
  key saved_plan_practice (practice_id, retired_at, made_at)
);
