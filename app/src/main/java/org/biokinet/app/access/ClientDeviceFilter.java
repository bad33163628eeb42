package org.biokinet.app.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Lets a client's device in by its cookie; nothing of it is kept in the web session. */
@Component
public class ClientDeviceFilter extends OncePerRequestFilter {

  public static final String COOKIE = "biokinet-client";

  private final DeviceService devices;

  ClientDeviceFilter(DeviceService devices) {
    this.devices = devices;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    Cookie[] cookies = request.getCookies() == null ? new Cookie[0] : request.getCookies();
    for (Cookie cookie : cookies) {
      if (cookie.getName().equals(COOKIE)) {
        devices
            .clientOf(cookie.getValue())
            .ifPresent(
                client -> {
                  SecurityContext context = SecurityContextHolder.createEmptyContext();
                  context.setAuthentication(
                      UsernamePasswordAuthenticationToken.authenticated(
                          client, null, List.of(new SimpleGrantedAuthority("ROLE_CLIENT"))));
                  SecurityContextHolder.setContext(context);
                });
      }
    }
    chain.doFilter(request, response);
  }

  /** Only the security chain runs this filter, not the servlet container a second time. */
  @Configuration
  static class NotTwice {
    @Bean
    FilterRegistrationBean<ClientDeviceFilter> clientDeviceFilterOnlyInChain(
        ClientDeviceFilter filter) {
      FilterRegistrationBean<ClientDeviceFilter> registration =
          new FilterRegistrationBean<>(filter);
      registration.setEnabled(false);
      return registration;
    }
  }
}
