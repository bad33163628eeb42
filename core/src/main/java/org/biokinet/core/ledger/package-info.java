/** Stretch seconds for each muscle and side, against published bands. */
@NullMarked
package org.biokinet.core.ledger;

import org.jspecify.annotations.NullMarked;
