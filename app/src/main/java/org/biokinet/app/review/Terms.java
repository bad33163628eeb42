package org.biokinet.app.review;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import org.biokinet.core.progress.Pace;
import org.biokinet.core.screening.Policy;

/**
 * How a client is led until the next review; changed only at one.
 *
 * @param automatic whether it may be eased, or stay, by itself
 */
@Embeddable
public record Terms(
    @Enumerated(EnumType.STRING) Pace pace,
    @Enumerated(EnumType.STRING) Policy policy,
    boolean automatic) {}
