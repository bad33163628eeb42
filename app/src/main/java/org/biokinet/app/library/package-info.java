/** The exercises of a practice: those that ship, changed by what it has written itself. */
@NullMarked
package org.biokinet.app.library;

import org.jspecify.annotations.NullMarked;
