-- An undo has no content, and a record without the C-Spine Rule has none: null, not an empty text.
alter table draft_entry modify column payload longtext null;
update draft_entry set payload = null where payload = '';
alter table clearance modify column neck longtext null;
update clearance set neck = null where neck = '';
