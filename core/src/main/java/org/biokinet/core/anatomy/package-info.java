/** Sides, tissues, positions and equipment: the vocabulary every other package uses. */
@NullMarked
package org.biokinet.core.anatomy;

import org.jspecify.annotations.NullMarked;
