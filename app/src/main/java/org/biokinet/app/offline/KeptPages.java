package org.biokinet.app.offline;

import java.time.Instant;
import java.util.List;
import java.util.UUID;

/**
 * What a device keeps of a client's pages. An address stands for all that name no more than it
 * does: of several that do, the first is meant.
 *
 * @param until when it asks the server again before anything is shown or begun
 * @param mark the same as long as the pages that are kept need not be fetched again
 * @param pages the addresses of all of them
 * @param players those of them that play a session; of each program and length first with the side
 *     whose turn it is, then with the other
 * @param opened pages that are kept for the rest of the day once they were opened
 * @param mayStartWith pain, 0–10, with which a session may be begun
 * @param rest where one is led with more pain
 * @param over what is shown after {@code until}
 */
public record KeptPages(
    UUID client,
    Instant until,
    String mark,
    List<String> pages,
    List<String> players,
    List<String> opened,
    List<Integer> mayStartWith,
    String rest,
    String over) {}
