/** How documents are read: value by value, with all that is wrong. */
@NullMarked
package org.biokinet.core.document;

import org.jspecify.annotations.NullMarked;
