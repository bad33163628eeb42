/** Its pages. */
@NullMarked
package org.biokinet.app.people.web;

import org.jspecify.annotations.NullMarked;
