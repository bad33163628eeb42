/** Its pages, and what a device reads. */
@NullMarked
package org.biokinet.app.offline.web;

import org.jspecify.annotations.NullMarked;
