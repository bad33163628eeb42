/** What only the demo shows. */
@NullMarked
package org.biokinet.app.demo.web;

import org.jspecify.annotations.NullMarked;
