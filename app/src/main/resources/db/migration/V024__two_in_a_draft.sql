-- A draft of one's own beside the one that all share: whose it is (nobody's is the shared one), and
-- whether its owner has set it aside to look at that.
alter table draft
  add column owner uuid not null default '00000000-0000-0000-0000-000000000000',
  add column aside boolean not null default false;
create unique index draft_open_owner on draft (client_id, program, open_slot, owner);
drop index draft_open_program on draft;

-- A change that was not taken since somebody else was in the draft: what its maker had seen of it.
alter table draft_entry add column seen int null;
