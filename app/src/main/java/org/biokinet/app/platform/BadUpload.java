package org.biokinet.app.platform;

import org.springframework.http.HttpStatus;
import org.springframework.web.ErrorResponseException;

/** An upload that cannot be right; answered as problem details with what would be right. */
public class BadUpload extends ErrorResponseException {
  public BadUpload(String detail) {
    super(HttpStatus.UNPROCESSABLE_ENTITY);
    setDetail(detail);
  }
}
