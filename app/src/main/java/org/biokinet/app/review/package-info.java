/** What came back, for the practitioner. */
@NullMarked
package org.biokinet.app.review;

import org.jspecify.annotations.NullMarked;
