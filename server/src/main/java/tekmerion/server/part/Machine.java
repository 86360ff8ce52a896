package tekmerion.server.part;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import tekmerion.core.identity.Serial;

/** A customer's computer. */
@Entity
public class Machine {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  private String maker;
  private String model;
  private String serial;
  private String serialPlain;
  private String serialFolded;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  /** A loose drive stands in a row of its own, so that places, readings and jobs work alike. */
  @Schema(name = "MachineKind")
  public enum Kind {
    MACHINE,
    LOOSE_DRIVE
  }

  protected Machine() {}

  /**
   * @param serial null if not known
   */
  public Machine(String maker, String model, String serial) {
    this(Kind.MACHINE, maker, model, serial);
  }

  /**
   * @param serial null if not known
   */
  public Machine(Kind kind, String maker, String model, String serial) {
    this.kind = kind;
    called(maker, model, serial);
  }

  /**
   * @param serial null if not known
   */
  public final void called(String maker, String model, String serial) {
    this.maker = maker;
    this.model = model;
    this.serial = serial;
    Serial compared = serial == null ? null : Serial.of(serial);
    serialPlain = compared == null ? null : compared.plain();
    serialFolded = compared == null ? null : compared.folded();
  }

  public long id() {
    return id;
  }

  public Kind kind() {
    return kind;
  }

  public String maker() {
    return maker;
  }

  public String model() {
    return model;
  }

  public String name() {
    String words = "%s %s".formatted(maker, model).strip();
    String unnamed = kind == Kind.LOOSE_DRIVE ? say("part.loose-drive") : say("part.machine");
    return words.isEmpty() ? unnamed : words;
  }

  public String serial() {
    return serial;
  }
}
