alter table client
  add column phone varchar(40) not null default '',
  add column email varchar(254) not null default '',
  add column desk_hours decimal(3, 1) null,
  add column screens int null,
  add column shifts varchar(16) null,
  add column hand varchar(8) null,
  add column positions varchar(160) not null default '',
  add column equipment varchar(160) not null default '',
  add column minutes int null,
  add column times_per_day int null,
  add column consent_on date null,
  -- Answers from before this moment no longer count: a new episode, or a merged record.
  add column screen_after datetime(6) null,
  -- Programs from before this moment are history.
  add column episode_since datetime(6) null,
  add column archived_at datetime(6) null,
  add column merged_into uuid null references client (id);
update client set
  episode_since = created_at,
  positions = 'chair stand floor-sit kneel all-fours supine prone side-lying',
  equipment = 'chair wall towel rolled-towel';
alter table client modify column episode_since datetime(6) not null;

-- An activity of the client's own, rated 0 (unable) to 10 (as before). Changed ones end and begin anew.
create table goal (
  id uuid primary key,
  client_id uuid not null references client (id),
  activity varchar(120) not null,
  rated int not null,
  wanted int not null,
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  ended_at datetime(6) null,
  key goal_client (client_id, made_at)
);

-- Who treats a client beside the practitioner whose client it is.
create table care_team (
  client_id uuid not null references client (id),
  practitioner_id uuid not null references practitioner (id),
  primary key (client_id, practitioner_id)
);

alter table screening add column source varchar(16) not null default 'PRACTITIONER';
update screening set source = 'RENEWAL' where practitioner_id is null;
alter table screening modify column source varchar(16) not null;
alter table clearance add column neck varchar(300) not null default '';

alter table practitioner
  add column role varchar(16) not null default 'OWNER',
  add column left_at datetime(6) null;
alter table practitioner modify column role varchar(16) not null;

-- Every try to sign in under an address that somebody has.
create table sign_in (
  id uuid primary key,
  practitioner_id uuid not null references practitioner (id),
  at datetime(6) not null,
  outcome varchar(8) not null,
  address varchar(64) not null,
  device varchar(200) not null,
  key sign_in_practitioner (practitioner_id, at)
);

-- Handed over by an owner; whoever holds it chooses a password, once.
create table password_link (
  id uuid primary key,
  practitioner_id uuid not null references practitioner (id),
  token_hash varchar(64) not null,
  made_by uuid not null references practitioner (id),
  made_at datetime(6) not null,
  used_at datetime(6) null,
  unique key password_link_token (token_hash),
  key password_link_practitioner (practitioner_id, made_at)
);
