package tekmerion.demo;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.springframework.beans.factory.config.BeanPostProcessor;
import tekmerion.core.forecast.OpenHours;

/**
 * The made-up shop's clock: it may show another hour than it is, so that the floor is a working
 * morning whenever somebody looks at it; and while the shop is filled it shows what was, so that
 * what is told of this morning was kept this morning.
 */
final class DemoClock implements BeanPostProcessor {
  /** When a shop that is closed is shown. */
  private static final LocalTime MORNING = LocalTime.of(10, 20);

  private final String at;
  private final Supplier<OpenHours> hours;
  private final AtomicReference<Instant> shown = new AtomicReference<>();

  /**
   * @param at a moment in the shop's own time, {@code 2026-11-30T10:20}; a length by which it is
   *     off, {@code PT-9H}; {@code latest} for now, or the latest morning on which the shop was
   *     open; empty for now
   */
  DemoClock(String at, Supplier<OpenHours> hours) {
    this.at = at;
    this.hours = hours;
  }

  /** Whatever clock the server has, it shows this one's time. */
  @Override
  public Object postProcessAfterInitialization(Object bean, String name) {
    return bean instanceof Clock clock ? new Shown(clock) : bean;
  }

  /**
   * @throws IllegalArgumentException if it cannot be set to that
   */
  static Duration offBy(String at, Instant now, OpenHours hours) {
    if (at.isBlank()) {
      return Duration.ZERO;
    }
    if (at.equals("latest")) {
      return toTheLatest(now, hours);
    }
    try {
      return at.startsWith("P")
          ? Duration.parse(at)
          : Duration.between(now, LocalDateTime.parse(at).atZone(hours.zone()).toInstant());
    } catch (DateTimeException e) {
      throw new IllegalArgumentException(
          "The demo's clock cannot be set to \"%s\": give it as 2026-11-30T10:20.".formatted(at),
          e);
    }
  }

  /** By how much a clock is off that shows the latest working hour; nothing while it is one. */
  static Duration toTheLatest(Instant now, OpenHours hours) {
    if (hours.whenOpen(now).equals(now)) {
      return Duration.ZERO;
    }
    LocalDate day = LocalDate.ofInstant(now, hours.zone());
    Instant morning = day.atTime(MORNING).atZone(hours.zone()).toInstant();
    while (morning.isAfter(now) || !hours.days().contains(day.getDayOfWeek())) {
      day = day.minusDays(1);
      morning = day.atTime(MORNING).atZone(hours.zone()).toInstant();
    }
    return Duration.between(now, morning);
  }

  /** While this is done it shows that moment. */
  void showing(Instant then, Runnable what) {
    shown.set(then);
    try {
      what.run();
    } finally {
      shown.set(null);
    }
  }

  /** A clock that is off, or stands at what was. */
  private final class Shown extends Clock {
    private final Clock real;
    private final Supplier<Duration> off;

    Shown(Clock real) {
      this.real = real;
      // Asked once, when the first time is asked: the hours are not known before.
      AtomicReference<Duration> known = new AtomicReference<>();
      this.off =
          () -> known.updateAndGet(d -> d != null ? d : offBy(at, real.instant(), hours.get()));
    }

    @Override
    public Instant instant() {
      Instant then = shown.get();
      return then == null ? real.instant().plus(off.get()) : then;
    }

    @Override
    public ZoneId getZone() {
      return real.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return new Shown(real.withZone(zone));
    }
  }
}
