-- What somebody has chosen on a suggestion, until a version is made of it.
create table review_choice (
  client_id uuid not null references client (id),
  part varchar(80) not null,
  suggested varchar(200) not null,
  kind varchar(8) not null,
  dose varchar(120) not null,
  reason varchar(300) not null,
  chosen_by uuid not null references practitioner (id),
  chosen_at datetime(6) not null,
  primary key (client_id, part)
);

-- What was suggested at a review and what was decided, as it was then; never changed.
create table review (
  id uuid primary key,
  client_id uuid not null references client (id),
  made_at datetime(6) not null,
  made_by uuid not null references practitioner (id),
  rules int not null,
  of_version int not null,
  to_version int null,
  shared boolean not null,
  pace varchar(8) not null,
  next_on date not null,
  decided longtext not null check (json_valid(decided)),
  key review_client (client_id, made_at)
);
