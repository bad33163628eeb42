-- Which side felt tighter of what was done on both, by the place of the item: "0=LEFT 3=SAME".
alter table check_in add column tighter varchar(1000) not null default '';
