/** Where the breaks at the desk and the sessions of a day go, around what else it holds. */
@NullMarked
package org.biokinet.core.workday;

import org.jspecify.annotations.NullMarked;
