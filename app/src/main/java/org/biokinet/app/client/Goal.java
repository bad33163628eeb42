package org.biokinet.app.client;

/**
 * What a client wants to do again.
 *
 * @param activity in the client's words
 * @param rated how well it goes now, 0 unable – 10 as before
 * @param wanted how well it should go
 */
public record Goal(String activity, int rated, int wanted) {}
