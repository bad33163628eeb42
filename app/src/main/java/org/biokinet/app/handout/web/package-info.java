/** The pages of it; for nobody else. */
@NullMarked
package org.biokinet.app.handout.web;

import org.jspecify.annotations.NullMarked;
