-- What a client pressed in the player: back, on, too strong; a line for each.
alter table session_record add column pressed text not null default '';
