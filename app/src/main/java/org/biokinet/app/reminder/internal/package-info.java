/** Rows of it; for this module only. */
@NullMarked
package org.biokinet.app.reminder.internal;

import org.jspecify.annotations.NullMarked;
