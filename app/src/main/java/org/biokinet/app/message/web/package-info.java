/** Its pages. */
@NullMarked
package org.biokinet.app.message.web;

import org.jspecify.annotations.NullMarked;
