-- Whether a review has finished a program, so that it is only kept up from then on.
alter table review add column kept_up boolean not null default false;
