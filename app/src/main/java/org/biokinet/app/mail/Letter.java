package org.biokinet.app.mail;

import java.util.UUID;

/**
 * A mail that is to be sent.
 *
 * @param id made by the page that asks for it, so that asking twice sends it once
 * @param practiceName under which it is sent
 * @param to one address
 */
public record Letter(
    UUID id,
    UUID practiceId,
    String practiceName,
    UUID clientId,
    UUID by,
    String to,
    String subject,
    String text) {}
