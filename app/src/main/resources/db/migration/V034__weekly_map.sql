-- From which day on the client is asked for the body map again; null while nobody has asked for it.
alter table client add column map_from date null;
