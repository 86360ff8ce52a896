package tekmerion.server.knowhow;

import static tekmerion.words.Words.say;

import jakarta.validation.Validator;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Mistakes;
import tekmerion.core.knowhow.Move;
import tekmerion.core.page.RawPage;
import tekmerion.server.knowhow.KnowHowChange.MoveEdit;
import tekmerion.server.knowhow.KnowHowChange.OwnMoveEdit;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * Moves of a shop's own as they travel with a job: the whole of one, in words and numbers. The same
 * move is the same text wherever it is written.
 */
@Component
public class OwnMoves {
  private static final int HASH_BYTES = 4;

  private final ShopKnowHow knowHow;
  private final Validator validator;
  private final JsonMapper json =
      JsonMapper.builder()
          .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .build();

  OwnMoves(ShopKnowHow knowHow, Validator validator) {
    this.knowHow = knowHow;
    this.validator = validator;
  }

  /** One of this shop's own as it is now; empty if there is none of that id. */
  public Optional<String> written(String id) {
    return own(id).map(json::writeValueAsString);
  }

  /**
   * @return what the text says; empty if it is none that a shop could have made
   */
  public Optional<OwnMoveEdit> read(String text) {
    try {
      return parsed(text).filter(move -> validator.validate(move).isEmpty() && holds(move));
    } catch (NullPointerException e) {
      return Optional.empty();
    }
  }

  /** The same of one that was found good when it was kept; it may not fit what ships by now. */
  public Optional<OwnMoveEdit> parsed(String text) {
    try {
      return Optional.ofNullable(json.readValue(text, OwnMoveEdit.class));
    } catch (JacksonException e) {
      return Optional.empty();
    }
  }

  /** Whether the know-how that ships would hold together with it. */
  private static boolean holds(OwnMoveEdit move) {
    String id = Edit.OwnMove.PREFIX + "from-elsewhere";
    try {
      KnowHow.shipped()
          .with(
              List.of(
                  new Edit.Noted(
                      KnowHowChange.ownMove(id, move).edit(), say("knowhow.from-elsewhere"))));
      return true;
    } catch (Mistakes e) {
      return false;
    }
  }

  /**
   * What a move from elsewhere is called here: as this shop's own one that is the very same, or by
   * a name that no other has.
   *
   * @param id that it has elsewhere
   * @param text as {@link #written}, read and found good
   */
  public String idHere(String id, String text) {
    OwnMoveEdit move = json.readValue(text, OwnMoveEdit.class);
    return knowHow.now().moves().stream()
        .map(Move::id)
        .filter(known -> own(known).filter(move::equals).isPresent())
        .findFirst()
        .orElseGet(() -> marked(id, json.writeValueAsString(move)));
  }

  /** The id with a mark that follows from the text; once it has it, it keeps it. */
  public static String marked(String id, String text) {
    byte[] hash = new RawPage(text.getBytes(StandardCharsets.UTF_8)).sha256();
    String mark = "-" + HexFormat.of().formatHex(hash, 0, HASH_BYTES);
    String name = id.endsWith(mark) ? id.substring(0, id.length() - mark.length()) : id;
    return name.substring(0, Math.min(name.length(), Edit.OwnMove.MAX_ID - mark.length())) + mark;
  }

  private Optional<OwnMoveEdit> own(String id) {
    KnowHow now = knowHow.now();
    return now.move(id)
        .filter(move -> id.startsWith(Edit.OwnMove.PREFIX))
        .flatMap(move -> now.finding(id + Edit.OwnMove.SEEN).map(seen -> own(move, seen)));
  }

  private static OwnMoveEdit own(Move move, FindingKind seen) {
    return new OwnMoveEdit(
        new MoveEdit(
            move.name(),
            move.purpose(),
            move.handsOnMinutes(),
            move.waitingMinutes(),
            move.families(),
            move.needs(),
            move.steps()),
        move.act(),
        move.place(),
        move.of(),
        move.bootStage(),
        move.invasiveness(),
        move.loads(),
        seen.name(),
        List.copyOf(move.tells().get(0).levels().values()),
        seen.leak(),
        seen.links());
  }
}
