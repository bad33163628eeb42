/** Measuring visits: what was measured, by whom and how, and what is read off it. */
@NullMarked
package org.biokinet.app.measurement;

import org.jspecify.annotations.NullMarked;
