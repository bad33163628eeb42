/** Its pages. */
@NullMarked
package org.biokinet.app.review.web;

import org.jspecify.annotations.NullMarked;
