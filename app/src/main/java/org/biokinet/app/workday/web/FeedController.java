package org.biokinet.app.workday.web;

import java.nio.charset.StandardCharsets;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.workday.CalendarFeed;
import org.biokinet.app.workday.WorkdayService;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The plan of a client under an address that nobody can guess, for calendars that read it. */
@RestController
class FeedController {

  private static final MediaType CALENDAR = new MediaType("text", "calendar");

  private final WorkdayService workdays;
  private final CalendarFeed feed;

  FeedController(WorkdayService workdays, CalendarFeed feed) {
    this.workdays = workdays;
    this.feed = feed;
  }

  @GetMapping("/calendar/{feedToken}.ics")
  ResponseEntity<String> feed(@PathVariable String feedToken) {
    return calendar().body(feed.of(workdays.ofFeed(feedToken)));
  }

  static ResponseEntity.BodyBuilder calendar() {
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noStore())
        .contentType(new MediaType(CALENDAR, StandardCharsets.UTF_8));
  }

  @ExceptionHandler(NotFound.class)
  @ResponseStatus(HttpStatus.NOT_FOUND)
  String unknown() {
    return "";
  }
}
