/** Clients, their links and devices, the worklist. */
@NullMarked
package org.biokinet.app.client;

import org.jspecify.annotations.NullMarked;
