package tekmerion.server.web;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tekmerion.link.RunResult;
import tools.jackson.databind.JsonNode;

/**
 * The description of the API. Our records always send every field, null where there is nothing, so
 * every property is required; which may be null is said at the field.
 */
@Configuration
class OpenApiConfig {
  private static final String SCHEMAS = "#/components/schemas/";
  private static final List<Class<?>> UNIONS = List.of(RunResult.class);

  /** Records of the bench link are shown as they are; they know nothing of this description. */
  private static final Map<String, Set<String>> NULL_ON_THE_LINK =
      Map.ofEntries(
          Map.entry("MemoryTestResult", Set.of("celsius")),
          Map.entry(
              "DischargeResult",
              Set.of(
                  "chargeAh",
                  "energyWh",
                  "resistanceOhm",
                  "designAh",
                  "gaugeFullAh",
                  "gaugeLevel",
                  "newOhm",
                  "warmedCelsius")),
          Map.entry(
              "ChargeResult", Set.of("intoAmperes", "helpsAmperes", "designAh", "gaugeLevel")),
          Map.entry("LoadResult", Set.of("memoryLeft", "swappedPerSecond", "latenessMicros")),
          Map.entry("SelfTestResult", Set.of("firstFailingSector")),
          Map.entry("ProgramAtWork", Set.of("bytesPerSecond")),
          Map.entry("DriveAtWork", Set.of("latencyMs")),
          Map.entry("VolumeNote", Set.of("label", "uuid", "usedBytes")),
          Map.entry("DamageNote", Set.of("backupOffset")),
          Map.entry("EraseResult", Set.of("notErasedAtMost")),
          Map.entry("CarvedExample", Set.of("preview")),
          Map.entry("RescueResult", Set.of("lostFilesInAll", "expectedShare", "verified")));

  static {
    ModelResolver.enumsAsRef = true; // enums get names, so that the front end's types have them too
    SpringDocUtils.getConfig().replaceWithSchema(JsonNode.class, new JsonSchema()); // anything
  }

  /**
   * With a server of its own: else the second who asks is told the address, and the first is not.
   */
  @Bean
  OpenAPI description() {
    return new OpenAPI()
        .info(new Info().title("Tekmerion").version("1"))
        .servers(List.of(new Server().url("/")));
  }

  @Bean
  @SuppressWarnings("rawtypes") // springdoc's own map is raw
  OpenApiCustomizer everyPropertyIsSent() {
    return (OpenAPI api) -> {
      Map<String, Schema> schemas = api.getComponents().getSchemas();
      if (schemas != null) {
        unions(schemas);
        NULL_ON_THE_LINK.forEach((schema, names) -> mayBeNull(schemas.get(schema), names));
        schemas.values().forEach(OpenApiConfig::requireAll);
      }
    };
  }

  /**
   * A sealed type of the bench link is one of its kinds, told apart by {@code kind}: springdoc lets
   * each kind include the whole type instead, which no generator of types reads so.
   */
  @SuppressWarnings({"rawtypes", "unchecked"}) // springdoc's own map is raw
  private static void unions(Map<String, Schema> schemas) {
    for (Class<?> sealed : UNIONS) {
      JsonSubTypes.Type[] kinds = sealed.getAnnotation(JsonSubTypes.class).value();
      Discriminator told = new Discriminator().propertyName("kind");
      Schema<?> union = new JsonSchema();
      for (JsonSubTypes.Type kind : kinds) {
        String name = kind.value().getSimpleName();
        schemas.computeIfPresent(name, (key, schema) -> ofKind(schema, kind.name()));
        String reference = SCHEMAS + name;
        told.mapping(kind.name(), reference);
        union.addOneOfItem(reference(reference));
      }
      union.setDiscriminator(told);
      schemas.put(sealed.getSimpleName(), union);
    }
  }

  /** Which of the sealed types a property may be any kind of; empty if its choice is another. */
  private static Optional<Class<?>> union(Schema<?> property) {
    String first = property.getOneOf().get(0).get$ref();
    return UNIONS.stream()
        .filter(
            u ->
                Arrays.stream(u.getAnnotation(JsonSubTypes.class).value())
                    .anyMatch(kind -> (SCHEMAS + kind.value().getSimpleName()).equals(first)))
        .findFirst();
  }

  private static Schema<?> reference(String to) {
    Schema<?> reference = new JsonSchema();
    reference.set$ref(to);
    return reference;
  }

  @SuppressWarnings({"rawtypes", "unchecked"}) // springdoc's own maps are raw
  private static Map<String, Schema> properties(Schema schema) {
    return schema.getProperties() == null ? Map.of() : schema.getProperties();
  }

  private static Schema<?> ofKind(Schema<?> schema, String kind) {
    Schema<?> flat = new JsonSchema();
    flat.setTypes(Set.of("object"));
    Schema<?> name = new JsonSchema();
    name.setTypes(Set.of("string"));
    name.setConst(kind);
    flat.addProperty("kind", name);
    properties(schema).forEach(flat::addProperty);
    if (schema.getAllOf() != null) {
      schema.getAllOf().forEach(part -> properties(part).forEach(flat::addProperty));
    }
    return flat;
  }

  private static void mayBeNull(Schema<?> schema, Set<String> names) {
    if (schema != null) {
      names.forEach(name -> schema.getProperties().get(name).addType("null"));
    }
  }

  private static void requireAll(Schema<?> schema) {
    if (schema.getProperties() == null) {
      return;
    }
    List<String> names = new ArrayList<>(schema.getProperties().keySet());
    schema.setRequired(names);
    for (String name : names) {
      schema.getProperties().computeIfPresent(name, (key, property) -> orNull(property));
    }
  }

  /** JSON Schema reads a type beside a reference as "both", so "or null" must be a choice. */
  private static Schema<?> orNull(Schema<?> property) {
    Optional<Class<?>> union = property.getOneOf() == null ? Optional.empty() : union(property);
    if (union.isPresent()) {
      Schema<?> any = reference(SCHEMAS + union.get().getSimpleName());
      return property.getTypes() == null ? any : orNothing(any);
    }
    boolean nullableReference =
        property.get$ref() != null
            && property.getTypes() != null
            && property.getTypes().contains("null");
    if (!nullableReference) {
      return property;
    }
    return orNothing(reference(property.get$ref()));
  }

  private static Schema<?> orNothing(Schema<?> something) {
    Schema<?> nothing = new JsonSchema();
    nothing.setTypes(Set.of("null"));
    Schema<?> choice = new JsonSchema();
    choice.addOneOfItem(something);
    choice.addOneOfItem(nothing);
    return choice;
  }
}
