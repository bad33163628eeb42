create table practice (
  id uuid primary key,
  name varchar(120) not null,
  zone varchar(64) not null,
  phone varchar(40) not null,
  created_at datetime(6) not null
);

create table practitioner (
  id uuid primary key,
  practice_id uuid not null references practice (id),
  email varchar(254) not null,
  name varchar(120) not null,
  password_hash varchar(200) not null,
  single_keys boolean not null,
  created_at datetime(6) not null,
  unique key practitioner_email (email)
);

create table throttle (
  bucket varchar(64) primary key,
  failures int not null,
  locked_until datetime(6) null,
  last_failure datetime(6) not null
);

create table audit (
  id uuid primary key,
  practice_id uuid not null references practice (id),
  at datetime(6) not null,
  actor varchar(16) not null,
  actor_id uuid not null,
  client_id uuid null,
  action varchar(40) not null,
  detail varchar(300) not null,
  key audit_practice_at (practice_id, at),
  key audit_client_at (client_id, at)
);

create table client (
  id uuid primary key,
  practice_id uuid not null references practice (id),
  practitioner_id uuid not null references practitioner (id),
  name varchar(120) not null,
  birth_date date null,
  work varchar(160) not null,
  zone varchar(64) not null,
  language varchar(8) not null,
  breath_seconds decimal(4, 1) not null,
  created_at datetime(6) not null,
  version int not null,
  key client_practice_name (practice_id, name)
);

create table client_link (
  id uuid primary key,
  client_id uuid not null references client (id),
  token_hash varchar(64) not null,
  pin_hash varchar(200) not null,
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  opened_at datetime(6) null,
  revoked_at datetime(6) null,
  unique key client_link_token (token_hash),
  key client_link_client (client_id, made_at)
);

create table client_device (
  id uuid primary key,
  link_id uuid not null references client_link (id),
  cookie_hash varchar(64) not null,
  made_at datetime(6) not null,
  unique key client_device_cookie (cookie_hash)
);

-- What happened to a client beside sessions: only ever added to.
create table client_event (
  id uuid primary key,
  client_id uuid not null references client (id),
  at datetime(6) not null,
  kind varchar(24) not null,
  practitioner_id uuid null references practitioner (id),
  detail varchar(500) not null,
  key client_event_client (client_id, kind, at)
);

-- open_slot is 1 while the draft is open and null afterwards: one open draft for each client.
create table draft (
  id uuid primary key,
  client_id uuid not null references client (id),
  open_slot tinyint null,
  start_state longtext not null,
  made_at datetime(6) not null,
  unique key draft_open (client_id, open_slot)
);

create table draft_entry (
  draft_id uuid not null references draft (id),
  seq int not null,
  kind varchar(8) not null,
  payload longtext not null,
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  primary key (draft_id, seq)
);

-- Immutable: what was shared, with everything its timeline needs.
create table program_version (
  id uuid primary key,
  client_id uuid not null references client (id),
  number int not null,
  title varchar(120) not null,
  document longtext not null,
  exercises longtext not null,
  rule_set int not null,
  seconds int not null,
  screened_by_hand boolean not null,
  shared_by uuid not null references practitioner (id),
  shared_at datetime(6) not null,
  unique key program_version_number (client_id, number)
);

create table session_record (
  id uuid primary key,
  client_id uuid not null references client (id),
  upload_id uuid not null,
  content_hash varchar(64) not null,
  program_version_id uuid not null references program_version (id),
  lead varchar(5) not null,
  breath_seconds decimal(4, 1) not null,
  started_at datetime(6) not null,
  offset_minutes int not null,
  zone varchar(64) not null,
  local_date date not null,
  received_at datetime(6) not null,
  pain_before int not null,
  ended varchar(12) not null,
  seconds_done int not null,
  seconds_planned int not null,
  stretch_left int not null,
  stretch_right int not null,
  unique key session_upload (client_id, upload_id),
  key session_client_started (client_id, started_at)
);

create table session_item (
  session_id uuid not null references session_record (id),
  item int not null,
  side varchar(5) not null,
  seconds_done int not null,
  seconds_planned int not null,
  stretch_seconds int not null,
  reps_done int not null,
  reps_planned int not null,
  skipped boolean not null,
  primary key (session_id, item, side)
);

-- May come before its session, so it names the upload and not the row.
create table check_in (
  id uuid primary key,
  client_id uuid not null references client (id),
  upload_id uuid not null,
  content_hash varchar(64) not null,
  session_upload_id uuid not null,
  highest_pain int not null,
  stretch_felt int not null,
  note varchar(1000) not null,
  received_at datetime(6) not null,
  supersedes uuid null references check_in (id),
  unique key check_in_upload (client_id, upload_id),
  unique key check_in_supersedes (supersedes),
  key check_in_session (client_id, session_upload_id)
);

-- The same upload id with other content: both are kept.
create table upload_conflict (
  id uuid primary key,
  client_id uuid not null references client (id),
  upload_id uuid not null,
  content longtext not null,
  received_at datetime(6) not null,
  key upload_conflict_client (client_id, received_at)
);

-- Spring Session spells its tables in capitals, and here table names are case-sensitive.
create table SPRING_SESSION (
  primary_id char(36) not null,
  session_id char(36) not null,
  creation_time bigint not null,
  last_access_time bigint not null,
  max_inactive_interval int not null,
  expiry_time bigint not null,
  principal_name varchar(100),
  constraint spring_session_pk primary key (primary_id)
);
create unique index spring_session_ix1 on SPRING_SESSION (session_id);
create index spring_session_ix2 on SPRING_SESSION (expiry_time);
create index spring_session_ix3 on SPRING_SESSION (principal_name);

create table SPRING_SESSION_ATTRIBUTES (
  session_primary_id char(36) not null,
  attribute_name varchar(200) not null,
  attribute_bytes longblob not null,
  constraint spring_session_attributes_pk primary key (session_primary_id, attribute_name),
  constraint spring_session_attributes_fk foreign key (session_primary_id)
    references SPRING_SESSION (primary_id) on delete cascade
);
