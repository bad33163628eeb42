/** Rows of it; for this module only. */
@NullMarked
package org.biokinet.app.teaching.internal;

import org.jspecify.annotations.NullMarked;
