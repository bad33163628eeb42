package org.biokinet.app.platform;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.web.servlet.error.ErrorController;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;

/** One clear page for people when something is missing or broke. */
@Controller
class ErrorPages implements ErrorController {

  @RequestMapping("/error")
  String error(HttpServletRequest request, Model model) {
    Object status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
    int code = status instanceof Integer i ? i : 500;
    Object path = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI);
    model.addAttribute("code", code);
    model.addAttribute("client", path instanceof String p && p.startsWith("/me"));
    return "error";
  }
}
