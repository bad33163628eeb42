/** Rows of it, and what keeps them; for this module only. */
@NullMarked
package org.biokinet.app.writing.internal;

import org.jspecify.annotations.NullMarked;
