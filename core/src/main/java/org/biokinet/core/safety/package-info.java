/** What must not be done, and why. */
@NullMarked
package org.biokinet.core.safety;

import org.jspecify.annotations.NullMarked;
