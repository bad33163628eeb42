/** Its pages. */
@NullMarked
package org.biokinet.app.session.web;

import org.jspecify.annotations.NullMarked;
