package org.biokinet.app.workday;

import java.net.URI;

/** Says of an address that it may be read although it is not on the open network. */
public interface TrustedSource {
  boolean trusts(URI address);
}
