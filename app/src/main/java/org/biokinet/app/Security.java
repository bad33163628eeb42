package org.biokinet.app;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.biokinet.app.account.SignIn;
import org.biokinet.app.client.ClientDeviceFilter;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.NullSecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.savedrequest.NullRequestCache;

/**
 * Two doors: the people of a practice sign in with a password, clients come through their link.
 * What each role may do is docs/PERMISSIONS.md, which a test compares with what is here.
 */
@Configuration
class Security {

  /** Nothing inline, nothing from elsewhere. */
  private static final String CSP =
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src"
          + " 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors"
          + " 'none'";

  @Bean
  PasswordEncoder passwordEncoder() {
    return new BCryptPasswordEncoder();
  }

  @Bean
  @Order(1)
  SecurityFilterChain clientDoor(HttpSecurity http, ClientDeviceFilter devices) throws Exception {
    headers(http);
    return http.securityMatcher("/me/**", "/c/**")
        .authorizeHttpRequests(
            a -> a.requestMatchers("/c/**", "/me/gone").permitAll().anyRequest().hasRole("CLIENT"))
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
    headers(http);
    LoginUrlAuthenticationEntryPoint toSignIn = new LoginUrlAuthenticationEntryPoint("/sign-in");
    return http.authorizeHttpRequests(
            a ->
                a.requestMatchers(
                        "/sign-in",
                        "/password/*",
                        "/csrf",
                        "/built/**",
                        "/actuator/health",
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
        .logout(l -> l.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
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

  private static void headers(HttpSecurity http) throws Exception {
    http.headers(
        h ->
            h.contentSecurityPolicy(c -> c.policyDirectives(CSP))
                .referrerPolicy(r -> r.policy(ReferrerPolicy.NO_REFERRER))
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
      response.setStatus(HttpStatus.NO_CONTENT.value());
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
    request.getSession().setAttribute("typedEmail", request.getParameter("email"));
    response.sendRedirect(locked ? "/sign-in?wait" : "/sign-in?wrong");
  }
}
