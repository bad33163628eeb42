-- Whether somebody was under 18 stays with the answers: a birth date typed later changes no screening.
alter table screening add column minor boolean not null default false;
update screening s join client c on c.id = s.client_id
  set s.minor = c.birth_date is not null and timestampdiff(year, c.birth_date, s.local_date) < 18;
