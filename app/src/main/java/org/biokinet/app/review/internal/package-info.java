/** Rows of it, and what keeps them; for this module only. */
@NullMarked
package org.biokinet.app.review.internal;

import org.jspecify.annotations.NullMarked;
