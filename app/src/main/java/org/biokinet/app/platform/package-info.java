/** What every capability needs: time, transactions and their retry, pages, errors. */
@ApplicationModule(
    type = ApplicationModule.Type.OPEN,
    allowedDependencies = {})
@NullMarked
package org.biokinet.app.platform;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
