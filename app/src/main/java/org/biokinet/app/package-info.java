/** The web application on top of core. */
@NullMarked
package org.biokinet.app;

import org.jspecify.annotations.NullMarked;
