package tekmerion.server.maker;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.knowhow.MakerTopic;
import tekmerion.server.part.Machine;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;

/** Notes on makers, inherited from the maker to a line and from a line to a model. */
@Service
public class MakerNotes {
  /** Of each maker, models and topic what was written last; with no text it is taken away. */
  private static final String STANDING =
      "SELECT n.maker, n.models, n.topic, n.text, a.display_name, n.written_at FROM maker_note n"
          + " JOIN account a ON a.id = n.written_by WHERE n.id IN (SELECT MAX(id) FROM maker_note"
          + " GROUP BY maker, models, topic) AND n.text <> ''";

  private final JdbcClient jdbc;
  private final Clock clock;

  /**
   * @param models beginning of the models' names that it holds for; empty for all of the maker
   */
  @Schema(name = "MakerNote")
  public record Note(
      String maker,
      String models,
      MakerTopic topic,
      String topicWords,
      String text,
      String by,
      Instant at) {
    /** "all of Ostra", "Ostra Kai and its kind". */
    public String of() {
      return models.isEmpty() ? "all of " + maker : maker + " " + models;
    }

    private boolean holdsFor(String model) {
      String wanted = model.toLowerCase(Locale.ROOT);
      String own = models.toLowerCase(Locale.ROOT);
      return own.isEmpty() || wanted.equals(own) || wanted.startsWith(own + " ");
    }
  }

  MakerNotes(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * By maker, models and topic.
   *
   * @param text words that must all stand in a note or its names; empty for every note
   */
  @Transactional(readOnly = true)
  public List<Note> find(String text) {
    String[] words = text.strip().toLowerCase(Locale.ROOT).split("\\s+");
    return read(jdbc.sql(STANDING + " ORDER BY n.maker, n.models, n.topic")).stream()
        .filter(
            note -> {
              String all =
                  String.join(" ", note.maker(), note.models(), note.topicWords(), note.text())
                      .toLowerCase(Locale.ROOT);
              return List.of(words).stream().allMatch(all::contains);
            })
        .toList();
  }

  /** What holds for this machine: of each topic the note that is closest to its model. */
  @Transactional(readOnly = true)
  public Map<MakerTopic, Note> of(Machine machine) {
    Map<MakerTopic, Note> closest = new EnumMap<>(MakerTopic.class);
    List<Note> all =
        new ArrayList<>(read(jdbc.sql(STANDING + " AND n.maker = ?").param(machine.maker())));
    all.sort(Comparator.comparingInt(note -> note.models().length()));
    all.stream()
        .filter(note -> note.holdsFor(machine.model()))
        .forEach(note -> closest.put(note.topic(), note));
    return closest;
  }

  /**
   * @param text empty to take the note away
   */
  @Transactional
  public void write(String maker, String models, MakerTopic topic, String text, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    keep(maker, models, topic, text, by.id(), clock.instant());
  }

  /** The same, of a shop's past. */
  @Transactional
  public void keep(
      String maker, String models, MakerTopic topic, String text, long by, Instant when) {
    jdbc.sql(
            "INSERT INTO maker_note (maker, models, topic, text, written_by, written_at)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(maker.strip(), models.strip(), topic.name(), text.strip(), by, Timestamp.from(when))
        .update();
  }

  private static List<Note> read(JdbcClient.StatementSpec statement) {
    return statement
        .query(
            (rs, n) -> {
              MakerTopic topic = MakerTopic.valueOf(rs.getString(3));
              return new Note(
                  rs.getString(1),
                  rs.getString(2),
                  topic,
                  topic.words(),
                  rs.getString(4),
                  rs.getString(5),
                  rs.getTimestamp(6).toInstant());
            })
        .list();
  }
}
