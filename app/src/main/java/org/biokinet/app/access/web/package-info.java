/** Its pages. */
@NullMarked
package org.biokinet.app.access.web;

import org.jspecify.annotations.NullMarked;
