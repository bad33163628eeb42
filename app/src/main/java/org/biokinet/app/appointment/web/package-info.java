/** The pages of it; for nobody else. */
@NullMarked
package org.biokinet.app.appointment.web;

import org.jspecify.annotations.NullMarked;
