package tekmerion.server.web;

import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * The description of the API. Our records always send every field, null where there is nothing, so
 * every property is required; which may be null is said at the field.
 */
@Configuration
class OpenApiConfig {
  /** Records of the bench link are shown as they are; they know nothing of this description. */
  private static final Map<String, Set<String>> NULL_ON_THE_LINK =
      Map.ofEntries(
          Map.entry("MarchFinding", Set.of("celsius")),
          Map.entry(
              "DischargeFinding",
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
              "ChargeFinding", Set.of("intoAmperes", "helpsAmperes", "designAh", "gaugeLevel")),
          Map.entry("LoadFinding", Set.of("memoryLeft", "swappedPerSecond", "latenessMicros")),
          Map.entry("ProgramAtWork", Set.of("bytesPerSecond")),
          Map.entry("DriveAtWork", Set.of("latencyMs")),
          Map.entry("VolumeNote", Set.of("label", "uuid", "usedBytes")),
          Map.entry("DamageNote", Set.of("backupOffset")),
          Map.entry("EraseFinding", Set.of("notErasedAtMost")),
          Map.entry("CarvedExample", Set.of("preview")),
          Map.entry("RescueFinding", Set.of("lostFilesInAll", "expectedShare", "verified")));

  static {
    ModelResolver.enumsAsRef = true; // enums get names, so that the front end's types have them too
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
        NULL_ON_THE_LINK.forEach((schema, names) -> mayBeNull(schemas.get(schema), names));
        schemas.values().forEach(OpenApiConfig::requireAll);
      }
    };
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
    boolean nullableReference =
        property.get$ref() != null
            && property.getTypes() != null
            && property.getTypes().contains("null");
    if (!nullableReference) {
      return property;
    }
    Schema<?> reference = new JsonSchema();
    reference.set$ref(property.get$ref());
    Schema<?> nothing = new JsonSchema();
    nothing.setTypes(Set.of("null"));
    Schema<?> choice = new JsonSchema();
    choice.addOneOfItem(reference);
    choice.addOneOfItem(nothing);
    return choice;
  }
}
