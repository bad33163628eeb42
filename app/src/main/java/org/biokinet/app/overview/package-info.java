/** What an owner sees of the practice as a whole. */
@ApplicationModule(
    allowedDependencies = {"platform", "practice", "library", "measurement", "worklist"})
@NullMarked
package org.biokinet.app.overview;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
