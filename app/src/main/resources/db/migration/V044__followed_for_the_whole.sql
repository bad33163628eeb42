-- What was followed at a review of what was suggested for the program as a whole.
alter table review add column whole varchar(16) null;
update review set whole = 'FINISH' where kept_up;
alter table review drop column kept_up;
