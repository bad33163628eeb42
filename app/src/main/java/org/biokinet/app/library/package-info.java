/** The exercises of a practice: those that ship and its own. */
@ApplicationModule(allowedDependencies = {"platform", "practice", "audit", "people"})
@NullMarked
package org.biokinet.app.library;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
