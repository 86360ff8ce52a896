package tekmerion.server.jobview;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.DriveWords;
import tekmerion.core.drive.PartReading;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.page.Decoding;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighed.FindingWeight;
import tekmerion.server.evidence.ReadRequests;
import tekmerion.server.evidence.Reading;
import tekmerion.server.job.Job;
import tekmerion.server.part.Machine;
import tekmerion.server.part.PartHistory;
import tekmerion.server.part.PartPlace;
import tekmerion.server.permit.DataNotes;
import tekmerion.server.permit.DataNotes.DataNote;
import tekmerion.server.weighing.WeighingService.Evidence;

/**
 * The machine in checking order, its drives, and what is known of its data.
 *
 * @param pending readings that were asked for
 * @param unsafe why the battery must be neither loaded nor charged; null if nothing says so
 */
record JobEvidence(
    DataNote data,
    List<Place> places,
    List<Drive> drives,
    List<Pending> pending,
    @Schema(nullable = true) String unsafe) {

  /** A part of the machine in checking order; {@code note} says why it stands as it does. */
  record Place(String id, String name, Suspicion suspicion, String note) {}

  /**
   * @param identity model and serial, or why there is none
   * @param metBefore where it was met in another job, null if nowhere
   * @param readingId newest reading in this job, null if there is none
   */
  record Drive(
      String key,
      long partId,
      String name,
      String identity,
      String description,
      Suspicion suspicion,
      String note,
      @Schema(nullable = true) String metBefore,
      @Schema(nullable = true) UUID readingId,
      @Schema(nullable = true) Instant takenAt) {}

  /**
   * A reading that was asked for.
   *
   * @param refusedWhy null while it is under way
   */
  record Pending(
      UUID requestId,
      String partKey,
      Instant askedAt,
      @Schema(nullable = true) String refusedWhy) {}

  /** Drives that are being read. */
  Set<String> underWay() {
    return pending.stream()
        .filter(p -> p.refusedWhy() == null)
        .map(Pending::partKey)
        .collect(Collectors.toSet());
  }

  /** Puts it together. */
  @Service
  static class Views {
    private static String nothingKnown() {
      return say("jobview.nothing-known-yet");
    }

    /** Checking order: the big things that all else rests on come first. */
    private static final List<String> PLACES =
        List.of("power", "memory", "drive", "link", "system");

    /**
     * A drive alone has no battery and no memory; what is on it stands under the system's place.
     */
    private static final Set<String> OF_A_LOOSE_DRIVE = Set.of("drive", "link", "system");

    private final DataNotes dataNotes;
    private final PartHistory history;
    private final ReadRequests requests;

    Views(DataNotes dataNotes, PartHistory history, ReadRequests requests) {
      this.dataNotes = dataNotes;
      this.history = history;
      this.requests = requests;
    }

    JobEvidence of(Job job, Evidence evidence, Permissions permitted) {
      Map<Long, String> metBefore =
          history.metBefore(
              evidence.drives().stream().map(place -> place.part().id()).toList(), job.id());
      return new JobEvidence(
          dataNotes.of(job, permitted),
          places(job, evidence.weighed()),
          evidence.drives().stream().map(d -> drive(d, evidence, metBefore)).toList(),
          pending(job),
          permitted.at().unsafeBattery().orElse(null));
    }

    private List<Pending> pending(Job job) {
      return requests.pending(job.id()).stream()
          .map(r -> new Pending(r.id(), r.partKey(), r.askedAt(), r.refusedWhy()))
          .toList();
    }

    private static List<Place> places(Job job, Weighed weighed) {
      boolean isLoose = job.machine().kind() == Machine.Kind.LOOSE_DRIVE;
      return PLACES.stream()
          .filter(place -> !isLoose || OF_A_LOOSE_DRIVE.contains(place))
          .map(
              place -> {
                Optional<CauseShare> worst = worst(weighed, c -> c.place().equals(place));
                return new Place(
                    place,
                    say((isLoose ? "place.of-a-drive." : "place.") + place),
                    worst.map(CauseShare::suspicion).orElse(Suspicion.UNKNOWN),
                    note(weighed, place, worst));
              })
          .toList();
    }

    /**
     * Of the likeliest cause there; if no finding bears on that one, the heaviest that bears on any
     * other cause there, so that what was found is never called unknown.
     */
    private static String note(Weighed weighed, String place, Optional<CauseShare> worst) {
      return worst
          .flatMap(Views::heaviest)
          .or(
              () ->
                  weighed.causes().stream()
                      .filter(c -> c.place().equals(place))
                      .flatMap(c -> c.weights().stream())
                      .filter(FindingWeight::direct)
                      .max(Comparator.comparingDouble(w -> Math.abs(w.decibans()))))
          .map(w -> w.finding().words())
          .orElse(nothingKnown());
    }

    private static Optional<CauseShare> worst(Weighed weighed, Predicate<CauseShare> which) {
      return weighed.causes().stream()
          .filter(which)
          .max(Comparator.comparingDouble(CauseShare::probability));
    }

    /** The finding that weighs most says why a place stands as it does. */
    private static String note(CauseShare share) {
      return heaviest(share).map(w -> w.finding().words()).orElse(nothingKnown());
    }

    private static Optional<FindingWeight> heaviest(CauseShare share) {
      return share.weights().stream().filter(FindingWeight::direct).findFirst();
    }

    private static Drive drive(PartPlace place, Evidence evidence, Map<Long, String> metBefore) {
      String key = place.partKey();
      Optional<Reading> reading = Optional.ofNullable(evidence.latest().get(key));
      Optional<IdentifyDevice> identity =
          Optional.ofNullable(evidence.reports().get(key))
              .flatMap(PartReading::identify)
              .flatMap(Decoding::decoded);
      Optional<DriveIdentity> told =
          Optional.ofNullable(evidence.reports().get(key)).flatMap(DriveIdentity::of);
      Optional<CauseShare> worst =
          worst(evidence.weighed(), c -> c.part().equals(key) && c.place().equals("drive"));
      return new Drive(
          key,
          place.part().id(),
          place.slot(),
          place.part().serial() == null
              ? say("jobview.identity-not-readable")
              : "%s · %s".formatted(place.part().model(), place.part().serial()),
          told.map(
                  id ->
                      DriveWords.describe(id, identity.flatMap(IdentifyDevice::nominalFormFactor)))
              .orElse(say("jobview.size-and-kind-not-readable")),
          worst.map(CauseShare::suspicion).orElse(Suspicion.UNKNOWN),
          worst.map(Views::note).orElse(say("jobview.not-read-yet")),
          metBefore.get(place.part().id()),
          reading.map(Reading::getId).orElse(null),
          reading.map(Reading::takenAt).orElse(null));
    }
  }
}
