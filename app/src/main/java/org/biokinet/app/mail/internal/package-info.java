/** Rows of it; for this module only. */
@NullMarked
package org.biokinet.app.mail.internal;

import org.jspecify.annotations.NullMarked;
