/** What a practice has chosen for itself. */
@ApplicationModule(allowedDependencies = {"platform", "practice", "audit", "people"})
@NullMarked
package org.biokinet.app.settings;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
