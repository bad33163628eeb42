package org.biokinet.app;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Objects;
import org.biokinet.app.access.ClientDeviceFilter;
import org.biokinet.app.people.SignIn;
import org.biokinet.app.platform.Site;
import org.springframework.boot.autoconfigure.session.DefaultCookieSerializerCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer.FrameOptionsConfig;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.NullSecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.savedrequest.NullRequestCache;

/**
 * Two doors: the people of a practice sign in with a password, clients come through their link.
 * What each role may do is docs/PERMISSIONS.md, which a test compares with what is here.
 */
@Configuration
class Security {

  private final Site site;

  Security(Site site) {
    this.site = site;
  }

  /** Nothing inline, nothing from elsewhere. */
  static final String CSP =
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src"
          + " 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors"
          + " 'none'; manifest-src 'self'; worker-src 'self'";

  /** The client's page on the desk has the desk program in its middle. */
  private static final String CSP_OF_CLIENT =
      CSP.replace("frame-ancestors 'none'", "frame-ancestors 'self'; frame-src 'self'");

  /** What of the device a page may use: only the screen of the player stays on. */
  private static final String MAY_USE =
      "accelerometer=(), camera=(), geolocation=(), gyroscope=(), magnetometer=(), microphone=(),"
          + " payment=(), usb=(), screen-wake-lock=(self)";

  @Bean
  PasswordEncoder passwordEncoder() {
    return new BCryptPasswordEncoder();
  }

  /**
   * Kept on the device like the client's own cookie: a form that lay open for an hour still works,
   * and opening another client's link ends it.
   */
  @Bean
  CsrfTokenRepository clientTokens() {
    CookieCsrfTokenRepository tokens = new CookieCsrfTokenRepository();
    tokens.setCookieName("biokinet-form");
    tokens.setCookieCustomizer(c -> c.path("/").sameSite("Lax").secure(site.secure()));
    return tokens;
  }

  /** The cookie of who is signed in goes over TLS only, where there is TLS. */
  @Bean
  DefaultCookieSerializerCustomizer sessionCookie() {
    return cookie -> cookie.setUseSecureCookie(site.secure());
  }

  @Bean
  @Order(1)
  SecurityFilterChain clientDoor(
      HttpSecurity http, ClientDeviceFilter devices, CsrfTokenRepository clientTokens)
      throws Exception {
    headers(http, CSP_OF_CLIENT);
    http.headers(h -> h.frameOptions(FrameOptionsConfig::sameOrigin));
    // A mail program that ends the reminders has no form: the token in the address is the proof.
    return http.csrf(c -> c.csrfTokenRepository(clientTokens).ignoringRequestMatchers("/off/**"))
        .securityMatcher("/me/**", "/c/**", "/off/**", "/calendar/*")
        .authorizeHttpRequests(
            a ->
                a.requestMatchers(
                        "/c/**",
                        "/off/**",
                        "/calendar/*",
                        "/me/gone",
                        "/me/worker.js",
                        "/me/without-network",
                        "/me/app.webmanifest")
                    .permitAll()
                    .anyRequest()
                    .hasRole("CLIENT"))
        .addFilterBefore(devices, UsernamePasswordAuthenticationFilter.class)
        .requestCache(c -> c.requestCache(new NullRequestCache()))
        // A practitioner signed in on the same browser is nobody here.
        .securityContext(c -> c.securityContextRepository(new NullSecurityContextRepository()))
        .exceptionHandling(
            e ->
                e.authenticationEntryPoint(
                    (request, response, x) -> {
                      if (wantsJson(request)) {
                        response.sendError(HttpStatus.UNAUTHORIZED.value());
                      } else {
                        response.sendRedirect("/me/gone");
                      }
                    }))
        .build();
  }

  @Bean
  @Order(2)
  SecurityFilterChain practitionerDoor(HttpSecurity http, SignIn signIn) throws Exception {
    headers(http, CSP);
    LoginUrlAuthenticationEntryPoint toSignIn = new LoginUrlAuthenticationEntryPoint("/sign-in");
    return http.authorizeHttpRequests(
            a ->
                a.requestMatchers(
                        "/sign-in",
                        "/password/*",
                        "/csrf",
                        "/built/**",
                        "/actuator/health/**",
                        "/demo/calendar/*",
                        "/error",
                        "/favicon.ico")
                    .permitAll()
                    .requestMatchers("/practice/**")
                    .hasRole("OWNER")
                    .requestMatchers(
                        "/", "/find", "/desk/**", "/account/**", "/settings/keys", "/sign-out")
                    .hasRole("STAFF")
                    .anyRequest()
                    .hasRole("PRACTITIONER"))
        // A manager of its own: with the default one as parent every failure would count twice.
        .authenticationManager(new ProviderManager(signIn))
        .formLogin(
            f ->
                f.loginPage("/sign-in")
                    .usernameParameter("email")
                    .successHandler(Security::signedIn)
                    .failureHandler(Security::notSignedIn))
        // Not the storage nor the cookies: what a client has not sent yet may wait there.
        .logout(
            l ->
                l.logoutUrl("/sign-out")
                    .logoutSuccessUrl("/sign-in?out")
                    .addLogoutHandler(
                        (request, response, who) ->
                            response.setHeader("Clear-Site-Data", "\"cache\"")))
        .exceptionHandling(
            e ->
                e.authenticationEntryPoint(
                    (request, response, x) -> {
                      // A fragment keeps its page: the script opens a sign-in dialog on 401.
                      if (isFragment(request)) {
                        response.sendError(HttpStatus.UNAUTHORIZED.value());
                      } else {
                        toSignIn.commence(request, response, x);
                      }
                    }))
        .build();
  }

  private void headers(HttpSecurity http, String csp) throws Exception {
    http.headers(
        h ->
            h.contentSecurityPolicy(c -> c.policyDirectives(csp))
                .referrerPolicy(r -> r.policy(ReferrerPolicy.NO_REFERRER))
                .permissionsPolicyHeader(p -> p.policy(MAY_USE))
                .crossOriginOpenerPolicy(c -> c.policy(CrossOriginOpenerPolicy.SAME_ORIGIN))
                // A proxy in front speaks TLS; whether it does is told, not read off the request.
                .httpStrictTransportSecurity(s -> s.requestMatcher(request -> site.secure()))
                .cacheControl(Customizer.withDefaults()));
  }

  private static boolean isFragment(HttpServletRequest request) {
    return request.getHeader("HX-Request") != null || wantsJson(request);
  }

  private static boolean wantsJson(HttpServletRequest request) {
    String accept = request.getHeader("Accept");
    return accept != null && accept.contains("application/json");
  }

  private static final SavedRequestAwareAuthenticationSuccessHandler TO_PAGE =
      new SavedRequestAwareAuthenticationSuccessHandler();

  private static void signedIn(
      HttpServletRequest request, HttpServletResponse response, Authentication who)
      throws IOException, ServletException {
    if (wantsJson(request)) {
      // The page that was covered compares who it was made for.
      response.setContentType(MediaType.APPLICATION_JSON_VALUE);
      response.getWriter().write("{\"person\":\"%s\"}".formatted(who.getName()));
    } else {
      TO_PAGE.onAuthenticationSuccess(request, response, who);
    }
  }

  private static void notSignedIn(
      HttpServletRequest request, HttpServletResponse response, AuthenticationException why)
      throws IOException {
    boolean locked = why instanceof LockedException;
    if (wantsJson(request)) {
      response.setStatus(
          locked ? HttpStatus.TOO_MANY_REQUESTS.value() : HttpStatus.UNAUTHORIZED.value());
      return;
    }
    String typed = Objects.requireNonNullElse(request.getParameter("email"), "");
    if (typed.length() <= SignIn.LONGEST_EMAIL) {
      request.getSession().setAttribute("typedEmail", typed);
    }
    response.sendRedirect(locked ? "/sign-in?wait" : "/sign-in?wrong");
  }
}
