-- When a device last fetched what it keeps, and whether it was sent away by itself.
alter table client_device
  add column synced_at datetime(6) null,
  add column ended_at datetime(6) null;
