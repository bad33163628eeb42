/** Pages of it. */
@NullMarked
package org.biokinet.app.teaching.web;

import org.jspecify.annotations.NullMarked;
