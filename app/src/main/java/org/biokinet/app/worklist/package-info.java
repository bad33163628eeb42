/** Who needs attention, and why. */
@NullMarked
package org.biokinet.app.worklist;

import org.jspecify.annotations.NullMarked;
