/** Rows of it, and what keeps them; for this module only. */
@NullMarked
package org.biokinet.app.appointment.internal;

import org.jspecify.annotations.NullMarked;
