/** Drafts as logs of edits, immutable shared versions, the Plan page. */
@NullMarked
package org.biokinet.app.program;

import org.jspecify.annotations.NullMarked;
