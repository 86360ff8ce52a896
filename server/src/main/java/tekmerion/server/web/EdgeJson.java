package tekmerion.server.web;

import org.springframework.boot.http.converter.autoconfigure.ServerHttpMessageConvertersCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.converter.json.JacksonJsonHttpMessageConverter;
import tekmerion.words.Words;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.StringNode;
import tools.jackson.databind.ser.std.StdScalarSerializer;

/**
 * What leaves and enters by HTTP. Messages that were kept are read in the language of whoever asks;
 * what somebody types never holds one. Inside, and in the database, they stay as they are.
 */
@Configuration(proxyBeanMethods = false)
class EdgeJson {

  @Bean
  ServerHttpMessageConvertersCustomizer jsonAtTheEdge(JsonMapper json) {
    SimpleModule words = new SimpleModule("words");
    words.addSerializer(String.class, new Read());
    words.addDeserializer(String.class, new Typed());
    JsonMapper edge = json.rebuild().addModule(words).nodeFactory(new TypedNodes()).build();
    return converters -> converters.withJsonConverter(new JacksonJsonHttpMessageConverter(edge));
  }

  private static final class Read extends StdScalarSerializer<String> {
    Read() {
      super(String.class);
    }

    @Override
    public void serialize(String value, JsonGenerator out, SerializationContext context) {
      out.writeString(Words.read(value));
    }
  }

  /** For what is read as a tree: answers of the counter. */
  private static final class TypedNodes extends JsonNodeFactory {
    private static final long serialVersionUID = 1L;

    @Override
    public StringNode stringNode(String text) {
      return super.stringNode(Words.typed(text));
    }
  }

  private static final class Typed extends StringDeserializer {
    @Override
    public String deserialize(JsonParser in, DeserializationContext context) {
      return Words.typed(super.deserialize(in, context));
    }
  }
}
