package tekmerion.demo;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import tekmerion.core.knowhow.MakerTopic;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** A note on a maker that the demo shop has, as makers.yaml has it. */
record MadeUpNote(String maker, String models, MakerTopic topic, String text) {
  static List<MadeUpNote> all() {
    try (InputStream in = MadeUpNote.class.getResourceAsStream("/tekmerion/demo/makers.yaml")) {
      return List.of(new YAMLMapper().readValue(in, MadeUpNote[].class));
    } catch (IOException e) {
      throw new IllegalStateException("cannot read the demo shop", e);
    }
  }
}
