-- What was measured; only ever added to: a correction names the row that it replaces. Without a
-- practitioner: the client has answered through the link.
create table measurement (
  id uuid primary key,
  client_id uuid not null references client (id),
  local_date date not null,
  kind varchar(16) not null,
  part varchar(64) not null,
  side varchar(5) null,
  value longtext not null,
  practitioner_id uuid null references practitioner (id),
  at datetime(6) not null,
  supersedes uuid null references measurement (id),
  unique key measurement_supersedes (supersedes),
  key measurement_client (client_id, local_date)
);

-- Re-encoded, without what a camera writes beside the picture; served to the care team only. Of a
-- withdrawn one only the line stays: its pixels are gone, and its marks no longer count.
create table photograph (
  id uuid primary key,
  client_id uuid not null references client (id),
  local_date date not null,
  facing varchar(5) not null,
  width int not null,
  height int not null,
  image longblob not null,
  practitioner_id uuid not null references practitioner (id),
  at datetime(6) not null,
  withdrawn_at datetime(6) null,
  key photograph_client (client_id, local_date)
);

-- What a practitioner made of a finding; the newest of a code holds.
create table finding_decision (
  id uuid primary key,
  client_id uuid not null references client (id),
  code varchar(80) not null,
  decision varchar(12) not null,
  words varchar(300) not null,
  practitioner_id uuid not null references practitioner (id),
  at datetime(6) not null,
  key finding_decision_client (client_id, at)
);

-- How steadily somebody marks one picture, in degrees.
create table marker_error (
  id uuid primary key,
  practitioner_id uuid not null references practitioner (id),
  degrees double not null,
  repeats int not null,
  at datetime(6) not null,
  key marker_error_practitioner (practitioner_id, at)
);

-- Whether somebody marks the front as if facing the client, as paper charts are drawn.
alter table practitioner add column facing_view boolean not null default false;
