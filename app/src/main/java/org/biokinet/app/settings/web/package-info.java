/** Its pages. */
@NullMarked
package org.biokinet.app.settings.web;

import org.jspecify.annotations.NullMarked;
