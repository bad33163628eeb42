-- How often the player has put right how a session ended, or has gone on with it.
alter table session_record add column revision int not null default 0;
