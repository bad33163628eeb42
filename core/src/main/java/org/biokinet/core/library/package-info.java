/** Finding an exercise: by words, or in place of one that a client cannot do. */
@NullMarked
package org.biokinet.core.library;

import org.jspecify.annotations.NullMarked;
