-- What was not told is not told; it is no 0.
alter table session_record modify column pain_before int null;
alter table check_in modify column highest_pain int null, modify column stretch_felt int null;
