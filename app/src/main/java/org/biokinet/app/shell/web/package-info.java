/** Its pages. */
@NullMarked
package org.biokinet.app.shell.web;

import org.jspecify.annotations.NullMarked;
