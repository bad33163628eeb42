/** What was done, what it says, and who needs attention. */
@NullMarked
package org.biokinet.core.progress;

import org.jspecify.annotations.NullMarked;
