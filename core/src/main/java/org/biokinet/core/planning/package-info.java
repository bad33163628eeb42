/**
 * Suggests a program: the best that these findings can have in this client's minutes, and why. The
 * model is written down in docs/PLANNING.md.
 */
@NullMarked
package org.biokinet.core.planning;

import org.jspecify.annotations.NullMarked;
