-- How strong a stretch may be for a client, chosen at a review; and what each review chose.
alter table client add column policy varchar(20) not null default 'COMFORT_FIRST';
alter table review add column policy varchar(20) not null default 'COMFORT_FIRST';
