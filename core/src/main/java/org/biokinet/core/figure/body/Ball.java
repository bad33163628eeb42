package org.biokinet.core.figure.body;

/**
 * What bodies and things are hulls of.
 *
 * @param centre in space
 * @param radius in centimetres
 */
public record Ball(Vec centre, double radius) {}
