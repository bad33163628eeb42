package org.biokinet.app.platform;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.retry.annotation.Backoff;
import org.springframework.retry.annotation.Retryable;
import org.springframework.transaction.annotation.Transactional;

/**
 * A service method that changes data: one transaction, repeated when it was lost to a deadlock, or
 * to somebody who was faster with the same key, which is then found. The one boundary at which
 * anything is retried.
 */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@Transactional
@Retryable(
    retryFor = {ConcurrencyFailureException.class, DataIntegrityViolationException.class},
    maxAttempts = 4,
    backoff = @Backoff(delay = 20, multiplier = 3, random = true))
public @interface Changes {}
