-- What a review was decided on, as a biokinet-diary; older reviews have none. Never changed.
create table review_diary (
  review_id uuid primary key references review (id),
  diary longtext compressed not null
);
