package org.biokinet.app.demo.web;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.biokinet.app.demo.DemoWorkday;
import org.biokinet.app.platform.Site;
import org.biokinet.app.workday.TrustedSource;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Stands in for the calendar server of the forecast office, on the machine itself. */
@RestController
@ConditionalOnProperty("biokinet.demo")
class CalendarController implements TrustedSource {

  private final Site site;
  private final Clock clock;

  CalendarController(Site site, Clock clock) {
    this.site = site;
    this.clock = clock;
  }

  @GetMapping(DemoWorkday.ADDRESS)
  ResponseEntity<byte[]> floor() {
    LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
    return ResponseEntity.ok()
        .contentType(new MediaType("text", "calendar", StandardCharsets.UTF_8))
        .body(DemoWorkday.calendar(today).getBytes(StandardCharsets.UTF_8));
  }

  @Override
  public boolean trusts(URI address) {
    return address.toString().equals(site.address(DemoWorkday.ADDRESS));
  }
}
