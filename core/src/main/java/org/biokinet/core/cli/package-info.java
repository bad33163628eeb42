/** The command line on top of core: plain java, no web server, no database. */
@NullMarked
package org.biokinet.core.cli;

import org.jspecify.annotations.NullMarked;
