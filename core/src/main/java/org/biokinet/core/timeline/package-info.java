/** When each second of a session happens. */
@NullMarked
package org.biokinet.core.timeline;

import org.jspecify.annotations.NullMarked;
