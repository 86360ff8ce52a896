package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import io.swagger.v3.oas.annotations.media.Schema;
import java.lang.reflect.GenericArrayType;
import java.lang.reflect.Method;
import java.lang.reflect.Parameter;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.lang.reflect.WildcardType;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.springframework.context.annotation.ClassPathScanningCandidateComponentProvider;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.core.type.filter.AnnotationTypeFilter;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * The API's description knows a type by its name alone: of two with one name it shows one, for
 * both, and says nothing. So no two that the API takes or gives may share a name.
 */
class SchemaNamesTest {
  private final Map<String, Set<String>> typesByName = new TreeMap<>();
  private final Set<Type> seen = new HashSet<>();

  @Test
  void noTwoTypesShareAName() throws ClassNotFoundException {
    var scanner = new ClassPathScanningCandidateComponentProvider(false);
    scanner.addIncludeFilter(new AnnotationTypeFilter(RestController.class));
    for (var found : scanner.findCandidateComponents("tekmerion.server")) {
      for (Method method : Class.forName(found.getBeanClassName()).getDeclaredMethods()) {
        if (AnnotatedElementUtils.hasAnnotation(method, RequestMapping.class)) {
          walk(method.getGenericReturnType());
          for (Parameter parameter : method.getParameters()) {
            if (parameter.isAnnotationPresent(RequestBody.class)) {
              walk(parameter.getParameterizedType());
            }
          }
        }
      }
    }

    assertThat(typesByName).hasSizeGreaterThan(150);
    assertThat(typesByName.entrySet().stream().filter(e -> e.getValue().size() > 1)).isEmpty();
  }

  private void walk(Type type) {
    if (!seen.add(type)) {
      return;
    }
    if (type instanceof ParameterizedType of) {
      walk(of.getRawType());
      for (Type argument : of.getActualTypeArguments()) {
        walk(argument);
      }
    } else if (type instanceof WildcardType wild) {
      walk(wild.getUpperBounds()[0]);
    } else if (type instanceof GenericArrayType array) {
      walk(array.getGenericComponentType());
    } else if (type instanceof Class<?> one) {
      walkClass(one);
    }
  }

  private void walkClass(Class<?> type) {
    if (type.isArray()) {
      walk(type.getComponentType());
      return;
    }
    if (!type.getName().startsWith("tekmerion.")) {
      return;
    }
    Schema schema = type.getAnnotation(Schema.class);
    String name = schema == null || schema.name().isEmpty() ? type.getSimpleName() : schema.name();
    typesByName.computeIfAbsent(name, n -> new TreeSet<>()).add(type.getName());
    if (type.isRecord()) {
      for (RecordComponent component : type.getRecordComponents()) {
        walk(component.getGenericType());
      }
    }
    if (type.isSealed()) {
      for (Class<?> kind : type.getPermittedSubclasses()) {
        walk(kind);
      }
    }
  }
}
