/** Its rows, for nobody else. */
@NullMarked
package org.biokinet.app.message.internal;

import org.jspecify.annotations.NullMarked;
