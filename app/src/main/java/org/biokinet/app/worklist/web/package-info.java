/** Its pages. */
@NullMarked
package org.biokinet.app.worklist.web;

import org.jspecify.annotations.NullMarked;
