/** Its pages. */
@NullMarked
package org.biokinet.app.reminder.web;

import org.jspecify.annotations.NullMarked;
