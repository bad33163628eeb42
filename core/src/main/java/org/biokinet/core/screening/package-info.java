/** What must not be done, and why. */
@NullMarked
package org.biokinet.core.screening;

import org.jspecify.annotations.NullMarked;
