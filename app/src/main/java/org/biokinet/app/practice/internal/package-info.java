/** Rows of it, and what keeps them; for this module only. */
@NullMarked
package org.biokinet.app.practice.internal;

import org.jspecify.annotations.NullMarked;
