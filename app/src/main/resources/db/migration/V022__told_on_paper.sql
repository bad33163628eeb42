-- How a session became known: led by the player, or told on a ticked sheet.
alter table session_record
  add column told varchar(10) not null default 'PLAYER';
