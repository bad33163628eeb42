-- Whether a practitioner has asked for a daily check of the joints, and what was told of it.
alter table client add column self_check boolean not null default false;
alter table follow_up add column joints varchar(400) not null default '';
