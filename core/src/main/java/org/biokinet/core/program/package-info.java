/** What is prescribed: items with doses, drafts as a log of edits, the program document. */
@NullMarked
package org.biokinet.core.program;

import org.jspecify.annotations.NullMarked;
