/**
 * How much: holds, repetitions, breaths, sides, intensity, and the one line of text that says it.
 */
@NullMarked
package org.biokinet.core.dose;

import org.jspecify.annotations.NullMarked;
