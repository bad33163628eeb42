/** What the client sees and does: today, the player, uploads. */
@NullMarked
package org.biokinet.app.session;

import org.jspecify.annotations.NullMarked;
