/** Its pages. */
@NullMarked
package org.biokinet.app.client.web;

import org.jspecify.annotations.NullMarked;
