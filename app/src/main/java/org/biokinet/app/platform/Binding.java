package org.biokinet.app.platform;

import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.InitBinder;

/** A form is made by its constructor; nothing that is sent beside can set anything. */
@ControllerAdvice
class Binding {

  @InitBinder
  void constructorOnly(WebDataBinder binder) {
    binder.setDeclarativeBinding(true);
  }
}
