/** Its pages. */
@NullMarked
package org.biokinet.app.program.web;

import org.jspecify.annotations.NullMarked;
