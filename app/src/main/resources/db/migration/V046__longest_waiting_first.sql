-- Of several on the list for the same reason, who has waited longest comes first.
create index standing_waiting on standing (practice_id, place, since, name);
