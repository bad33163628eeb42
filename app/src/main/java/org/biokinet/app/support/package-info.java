/** What every capability of the application needs. */
@NullMarked
package org.biokinet.app.support;

import org.jspecify.annotations.NullMarked;
