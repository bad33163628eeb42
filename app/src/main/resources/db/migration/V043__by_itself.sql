-- Whether a practitioner has allowed that it is eased by itself until the next review, and whether
-- a review was made by itself.
alter table review
  add column automatic boolean not null default false,
  add column by_itself boolean not null default false,
  add key review_automatic (automatic);
