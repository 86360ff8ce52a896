package tekmerion.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static tekmerion.link.Messages.READ;
import static tekmerion.link.Messages.page;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;

class LinkCodecTest {
  @ParameterizedTest(name = "{0}: {2}")
  @MethodSource("tekmerion.link.Messages#messages")
  void everyMessageFollowsItsSchemaAndComesBackTheSame(
      String schema, Class<?> type, Object message) {
    String json = LinkCodec.encode(message);

    assertThat(schema(schema).validate(json, InputFormat.JSON)).as(json).isEmpty();
    assertThat(LinkCodec.decode(json, type)).isEqualTo(message);
  }

  @Test
  void theSchemasRefuseWhatIsNoMessage() {
    assertThat(schema("to-server").validate("{\"type\":\"event\"}", InputFormat.JSON)).isNotEmpty();
    assertThat(schema("to-probe").validate("{\"type\":\"erase\"}", InputFormat.JSON)).isNotEmpty();
  }

  @Test
  void theThreeAnswersStayThree() {
    LinkEvent.PartRead read = (LinkEvent.PartRead) READ.event();

    assertThat(read.pages())
        .extracting(PageNote::answer)
        .containsExactly(
            new PageAnswer.Got(new RawPage(new byte[] {1, 2, 3})),
            new PageAnswer.NotReported("no such page"),
            new PageAnswer.CouldNotRun("timed out"));
  }

  @Test
  void aNewerEndMayAddFields() {
    assertThat(LinkCodec.decode("{\"type\":\"resend\",\"from\":4,\"mood\":1}", ToProbe.class))
        .isEqualTo(new ToProbe.Resend(4));
  }

  static LongStream seeds() {
    return LongStream.rangeClosed(1, 200);
  }

  @ParameterizedTest(name = "seed {0}")
  @MethodSource("seeds")
  void aBrokenMessageIsATypedErrorAndNothingElse(long seed) {
    Random random = new Random(seed);
    StringBuilder json = new StringBuilder(LinkCodec.encode(READ));
    for (int i = 0; i < 1 + random.nextInt(6); i++) {
      json.setCharAt(random.nextInt(json.length()), (char) (32 + random.nextInt(95)));
    }

    try {
      ToServer decoded = LinkCodec.decode(json.toString(), ToServer.class);
      if (decoded instanceof ToServer.Event event
          && event.event() instanceof LinkEvent.PartRead read) {
        read.pages().stream().filter(p -> p.outcome() != null).forEach(PageNote::answer);
      }
    } catch (LinkFormatException expected) {
      assertThat(expected).hasMessageNotContaining("\n");
    }
  }

  @Test
  void bytesThatAreNoneOrTooManyAreRefused() {
    PageNote tooLong =
        page(new PageAnswer.Got(new RawPage(new byte[BenchLink.MAX_PAGE_BYTES + 1])));
    PageNote none = new PageNote("ata-smart", PageNote.Outcome.GOT, null, null);

    assertThatThrownBy(tooLong::answer).isInstanceOf(LinkFormatException.class);
    assertThatThrownBy(none::answer).isInstanceOf(LinkFormatException.class);
  }

  private static Schema schema(String name) {
    try (InputStream in =
        LinkCodec.class.getResourceAsStream("/tekmerion/link/" + name + ".schema.json")) {
      String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
      return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
          .getSchema(text, InputFormat.JSON);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }
}
