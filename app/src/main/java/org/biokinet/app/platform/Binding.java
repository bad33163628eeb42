package org.biokinet.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.util.regex.Pattern;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.InitBinder;
import org.springframework.web.server.ResponseStatusException;

/** A form is made by its constructor; nothing that is sent beside can set anything. */
@ControllerAdvice
class Binding {

  /** Such as {@code sides[knee-pain]}. */
  private static final Pattern KEYED = Pattern.compile("\\w+\\[[\\w-]+]");

  @InitBinder
  void constructorOnly(WebDataBinder binder, HttpServletRequest request) {
    binder.setDeclarativeBinding(true);
    for (String name : request.getParameterMap().keySet()) {
      if (name.contains("[") && !KEYED.matcher(name).matches()) {
        throw new ResponseStatusException(HttpStatus.BAD_REQUEST, "a field has no such name");
      }
    }
  }
}
