-- Whether a PIN is forgotten stands with the link; the events of a client are the client's alone.
alter table client_link add column pin_forgotten_at datetime(6) null;
update client_link l set pin_forgotten_at =
  (select max(e.at) from client_event e where e.client_id = l.client_id and e.kind = 'PIN_FORGOTTEN')
  where l.revoked_at is null;
update client_link l set pin_forgotten_at = null
  where pin_forgotten_at <=
    (select max(e.at) from client_event e where e.client_id = l.client_id and e.kind = 'LINK_MADE');
delete from client_event where kind in ('LINK_MADE', 'LINK_OPENED', 'PIN_FORGOTTEN');
