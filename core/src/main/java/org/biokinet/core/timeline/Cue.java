package org.biokinet.core.timeline;

/**
 * The words of one segment.
 *
 * @param headline the movement or action, shortest and largest: "Tilt left"
 * @param detail what else to know, may be empty
 * @param spoken what is said and printed at the start of the segment
 */
public record Cue(String headline, String detail, String spoken) {}
