/** Its pages. */
@NullMarked
package org.biokinet.app.library.web;

import org.jspecify.annotations.NullMarked;
