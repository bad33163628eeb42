package org.biokinet.core.ledger;

/**
 * Stretch of one tissue on one side.
 *
 * @param aDay seconds on a day on which all of it is done
 * @param aWeek seconds in a week
 * @param days days a week, 0–7; of several items the most
 */
public record Amount(double aDay, double aWeek, int days) {

  public static final Amount NONE = new Amount(0, 0, 0);

  Amount plus(double daily, int onDays) {
    return new Amount(aDay + daily, aWeek + daily * onDays, Math.max(days, onDays));
  }
}
