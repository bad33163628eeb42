/** What speaks against a program before it is shared, and what would put it right. */
@NullMarked
package org.biokinet.core.advice;

import org.jspecify.annotations.NullMarked;
