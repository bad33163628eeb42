/** A body of rigid segments posed by joint angles: where its parts are and what it lengthens. */
@NullMarked
package org.biokinet.core.figure.body;

import org.jspecify.annotations.NullMarked;
