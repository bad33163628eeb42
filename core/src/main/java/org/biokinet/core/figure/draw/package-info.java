/** The body and the things round it as solids, put before each other and drawn as SVG. */
@NullMarked
package org.biokinet.core.figure.draw;

import org.jspecify.annotations.NullMarked;
