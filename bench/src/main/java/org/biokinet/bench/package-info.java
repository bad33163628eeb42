/** Speed of the core (JMH) and of Plan's live fragment. */
@NullMarked
package org.biokinet.bench;

import org.jspecify.annotations.NullMarked;
