/** Finding an exercise: by words, or in place of one that a client cannot do. */
@NullMarked
package org.biokinet.core.search;

import org.jspecify.annotations.NullMarked;
