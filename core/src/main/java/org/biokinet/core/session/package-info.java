/** What a client does and tells: the session, and what comes back from it. */
@NullMarked
package org.biokinet.core.session;

import org.jspecify.annotations.NullMarked;
