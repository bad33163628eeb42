/** Pages of it. */
@NullMarked
package org.biokinet.app.pause.web;

import org.jspecify.annotations.NullMarked;
