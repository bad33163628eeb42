/** The pages of it; for nobody else. */
@NullMarked
package org.biokinet.app.writing.web;

import org.jspecify.annotations.NullMarked;
