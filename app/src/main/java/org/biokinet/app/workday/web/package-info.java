/** Its pages. */
@NullMarked
package org.biokinet.app.workday.web;

import org.jspecify.annotations.NullMarked;
