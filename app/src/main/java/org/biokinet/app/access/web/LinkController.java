package org.biokinet.app.access.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.access.ClientDeviceFilter;
import org.biokinet.app.access.DeviceService;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Site;
import org.biokinet.app.practice.PracticeService;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Opening a client's link: the PIN, then a clean address. */
@Controller
class LinkController {

  private final LinkService links;
  private final DeviceService devices;
  private final PracticeService practices;
  private final CsrfTokenRepository tokens;
  private final Site site;

  LinkController(
      LinkService links,
      DeviceService devices,
      PracticeService practices,
      CsrfTokenRepository tokens,
      Site site) {
    this.links = links;
    this.devices = devices;
    this.practices = practices;
    this.tokens = tokens;
    this.site = site;
  }

  @GetMapping("/c/{token}")
  String ask(
      @PathVariable String token,
      @CookieValue(name = ClientDeviceFilter.COOKIE, defaultValue = "") String cookie,
      Model model) {
    if (links.isOpenTo(token, cookie)) return "redirect:/me/today";
    show(token, model);
    return "access/pin";
  }

  private void show(String token, Model model) {
    model.addAttribute("token", token);
    model.addAttribute("practice", practices.practice(links.practiceOf(token)));
  }

  /** The PIN is forgotten: the practice is told, and nothing else happens. */
  @PostMapping("/c/{token}/forgotten")
  String forgotten(@PathVariable String token, RedirectAttributes once) {
    links.pinForgotten(token);
    once.addFlashAttribute("told", true);
    return "redirect:/c/" + token;
  }

  @PostMapping("/c/{token}")
  String open(
      @PathVariable String token,
      @RequestParam(defaultValue = "") String pin,
      @CookieValue(name = ClientDeviceFilter.COOKIE, defaultValue = "") String cookie,
      HttpServletRequest request,
      HttpServletResponse response,
      Model model) {
    LinkService.Opening opening = links.open(token, pin, cookie);
    if (in(opening, request, response, model)) return "redirect:/me/today";
    show(token, model);
    return "access/pin";
  }

  /** Whether somebody is in now; says why not. */
  private boolean in(
      LinkService.Opening opening,
      HttpServletRequest request,
      HttpServletResponse response,
      Model model) {
    if (opening instanceof LinkService.Opening.Opened opened) {
      keep(opened.cookie(), request, response);
      return true;
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    if (opening instanceof LinkService.Opening.Wait wait) {
      response.setStatus(HttpStatus.TOO_MANY_REQUESTS.value());
      model.addAttribute("wait", wait.howLong().toMinutes() + 1);
    } else {
      model.addAttribute("wrong", true);
    }
    return false;
  }

  private void keep(String value, HttpServletRequest request, HttpServletResponse response) {
    ResponseCookie cookie =
        ResponseCookie.from(ClientDeviceFilter.COOKIE, value)
            .httpOnly(true)
            .secure(site.secure())
            .sameSite("Lax")
            .path("/")
            .maxAge(DeviceService.LASTS)
            .build();
    response.addHeader(HttpHeaders.SET_COOKIE, cookie.toString());
    // Pages that another client of this device has left open are nobody's any more.
    tokens.saveToken(null, request, response);
  }

  /** Who uses this device. */
  @GetMapping("/c/who")
  String who(
      @CookieValue(name = ClientDeviceFilter.COOKIE, defaultValue = "") String cookie,
      Model model) {
    List<ClientMe> known = devices.known(cookie);
    if (known.isEmpty()) return nobody(model);
    model.addAttribute("known", known);
    devices.clientOf(cookie).ifPresent(now -> model.addAttribute("now", now));
    return "access/who";
  }

  /**
   * Somebody else is here.
   *
   * @param client who; without it the PIN is asked next time, whoever comes
   */
  @PostMapping("/c/who")
  String choose(
      @CookieValue(name = ClientDeviceFilter.COOKIE, defaultValue = "") String cookie,
      @RequestParam Optional<UUID> client,
      @RequestParam(defaultValue = "") String pin,
      HttpServletRequest request,
      HttpServletResponse response,
      Model model) {
    if (client.isEmpty()) {
      keep(links.lock(cookie), request, response);
      return "redirect:/c/who";
    }
    if (in(links.choose(cookie, client.get(), pin), request, response, model)) {
      return "redirect:/me/today";
    }
    model.addAttribute("chosen", client.get());
    return who(cookie, model);
  }

  @ExceptionHandler(NotFound.class)
  @ResponseStatus(HttpStatus.NOT_FOUND)
  String ended() {
    return "access/gone";
  }

  /** Nobody is in on this device; who was is asked for the PIN. */
  @GetMapping("/me/gone")
  String gone(
      @CookieValue(name = ClientDeviceFilter.COOKIE, defaultValue = "") String cookie,
      Model model) {
    return devices.known(cookie).isEmpty() ? nobody(model) : "redirect:/c/who";
  }

  /** A link that has ended says nothing of who is in by another one; here nobody is. */
  private static String nobody(Model model) {
    model.addAttribute("nobody", true);
    return "access/gone";
  }
}
