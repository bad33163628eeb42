/** The made-up demo practice. */
@NullMarked
package org.biokinet.app.demo;

import org.jspecify.annotations.NullMarked;
