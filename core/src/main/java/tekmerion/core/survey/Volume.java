package tekmerion.core.survey;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * What a stretch holds.
 *
 * @param label as its superblock has it
 * @param uuid or serial, as people write it
 * @param sizeBytes as its superblock has it
 * @param usedBytes as its superblock has it; empty if it does not tell
 * @param damage what of it is damaged, each with what could mend it
 */
public record Volume(
    Content content,
    Optional<String> label,
    Optional<String> uuid,
    OptionalLong sizeBytes,
    OptionalLong usedBytes,
    List<Damage> damage) {
  public Volume {
    damage = List.copyOf(damage);
  }

  static Volume of(Content content) {
    return new Volume(
        content,
        Optional.empty(),
        Optional.empty(),
        OptionalLong.empty(),
        OptionalLong.empty(),
        List.of());
  }

  Volume with(Damage more) {
    List<Damage> all = new ArrayList<>(damage);
    all.add(more);
    return new Volume(content, label, uuid, sizeBytes, usedBytes, all);
  }
}
