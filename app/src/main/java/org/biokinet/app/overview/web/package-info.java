/** The pages of it; for nobody else. */
@NullMarked
package org.biokinet.app.overview.web;

import org.jspecify.annotations.NullMarked;
