package org.biokinet.app.program.web;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.Company;
import org.biokinet.app.program.DraftService;

/**
 * Who else is at a draft, in words.
 *
 * @param holder who is in it, or empty
 * @param since when they began, and when they last changed it
 * @param apart since when one's own is kept beside it, where that is what is looked at; or empty
 * @param waiting since when one's own waits; or empty
 * @param others "R. Vega, since 09:12"
 * @param kept changes that were not taken
 * @param shared length of the log of the draft that all share
 * @param sharedSince "version 4 was shared by R. Vega at 09:12"; or empty
 */
public record CompanyView(
    String holder,
    String since,
    String last,
    String apart,
    String waiting,
    List<String> others,
    int kept,
    int shared,
    String sharedSince) {

  static CompanyView of(DraftService.State state, Me me, AccountService accounts) {
    Company company = state.company();
    ZoneId zone = ZoneId.of(me.zone());
    return new CompanyView(
        company.holder().map(t -> accounts.practitionerName(t.by())).orElse(""),
        company.holder().map(t -> Days.time(t.since(), zone)).orElse(""),
        company.holder().map(t -> Days.time(t.last(), zone)).orElse(""),
        company.apart() ? when(company.begun(), zone) : "",
        company.waiting().map(at -> when(at, zone)).orElse(""),
        company.others().stream()
            .map(t -> accounts.practitionerName(t.by()) + ", since " + when(t.since(), zone))
            .toList(),
        company.kept(),
        company.shared(),
        state
            .sharedSince()
            .map(
                v ->
                    "%s was shared by %s, %s"
                        .formatted(
                            v.name().inFull(),
                            accounts.practitionerName(v.sharedBy()),
                            when(v.sharedAt(), zone)))
            .orElse(""));
  }

  private static String when(Instant at, ZoneId zone) {
    return Days.day(at, zone) + " " + Days.time(at, zone);
  }
}
