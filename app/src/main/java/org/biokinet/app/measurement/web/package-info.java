/** Its pages. */
@NullMarked
package org.biokinet.app.measurement.web;

import org.jspecify.annotations.NullMarked;
