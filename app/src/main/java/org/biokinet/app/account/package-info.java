/** Practices, practitioners, signing in, who did what. */
@NullMarked
package org.biokinet.app.account;

import org.jspecify.annotations.NullMarked;
