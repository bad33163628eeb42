/** Rows of it; for this module only. */
@NullMarked
package org.biokinet.app.workday.internal;

import org.jspecify.annotations.NullMarked;
