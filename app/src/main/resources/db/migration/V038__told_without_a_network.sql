-- When a question was written, where it came in later.
alter table message add column told_at datetime(6) null;

-- When something last came that could not be counted.
alter table client add column beside_at datetime(6) null;
