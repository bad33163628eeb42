package org.biokinet.app.platform;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Nothing here, or nothing that the asker may see: the answer is the same. */
@ResponseStatus(HttpStatus.NOT_FOUND)
public class NotFound extends RuntimeException {
  public NotFound() {
    super("not found", null, false, false);
  }
}
