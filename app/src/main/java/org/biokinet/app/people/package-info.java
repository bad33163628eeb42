/** The people of a practice: signing in, passwords, coming and going. */
@ApplicationModule(allowedDependencies = {"platform", "practice", "audit"})
@NullMarked
package org.biokinet.app.people;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
