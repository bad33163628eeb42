/** Its pages. */
@NullMarked
package org.biokinet.app.screening.web;

import org.jspecify.annotations.NullMarked;
