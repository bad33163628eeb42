/** The client's way in: a link, a PIN, a device. */
@ApplicationModule(
    allowedDependencies = {"platform", "practice", "audit", "people", "client", "mail"})
@NullMarked
package org.biokinet.app.access;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
