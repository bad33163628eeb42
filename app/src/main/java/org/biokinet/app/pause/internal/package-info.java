/** Rows of it; for this module only. */
@NullMarked
package org.biokinet.app.pause.internal;

import org.jspecify.annotations.NullMarked;
