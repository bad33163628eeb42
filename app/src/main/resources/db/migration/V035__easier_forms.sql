-- What was made easier may name what was done in its place, as "0L 3R=chin-nod".
alter table session_record modify column eased text not null default '';
