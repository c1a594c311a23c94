package overturn.app.config;

import static java.util.Objects.requireNonNull;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.responses.ApiResponses;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.beans.factory.annotation.AnnotatedBeanDefinition;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.ClassPathScanningCandidateComponentProvider;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.type.filter.AssignableTypeFilter;

/** Describes the API; every record component that is not optional is required, so that generated types say so. */
@Configuration
class OpenApiConfiguration {

    /** The records that travel: the views of the API, and the sheet of a circuit as the core draws it. */
    private static final List<String> PACKAGES = List.of("overturn.app.api", "overturn.drawing");

    @Bean
    OpenApiCustomizer requiredUnlessOptional() {
        Map<String, Class<?>> records = apiRecords();
        return api -> {
            api.info(
                    new Info()
                            .title("Overturn")
                            .version("1")
                            .description(
                                    "Everything the screens do. Lengths in mm, forces in N, pressures in bar, depression in kPa, times in s."));
            api.servers(List.of(new Server().url("/").description("the server that serves this")));
            schemas(api).forEach((name, schema) -> {
                if (records.containsKey(name)) {
                    required(records.get(name)).forEach(schema::addRequiredItem);
                }
            });
            records.values().stream()
                    .flatMap(record -> Stream.of(record.getInterfaces()))
                    .filter(type -> type.isAnnotationPresent(JsonSubTypes.class))
                    .distinct()
                    .forEach(type -> asUnion(type, schemas(api)));
        };
    }

    /** A type with subtypes is one of them, told apart by a property of which each has its own value. */
    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void asUnion(Class<?> type, Map<String, Schema> schemas) {
        String property = type.getAnnotation(JsonTypeInfo.class).property();
        Schema<?> union = new Schema<>();
        Discriminator discriminator = new Discriminator().propertyName(property);
        for (JsonSubTypes.Type one : type.getAnnotation(JsonSubTypes.class).value()) {
            String name = one.value().getSimpleName();
            String reference = Components.COMPONENTS_SCHEMAS_REF + name;
            union.addOneOfItem(new Schema<>().$ref(reference));
            discriminator.mapping(one.name(), reference);
            Schema<?> alone = new ObjectSchema();
            List<Schema> parts = requireNonNull(schemas.get(name)).getAllOf();
            parts.stream()
                    .filter(part -> part.getProperties() != null)
                    .forEach(part -> alone.setProperties(part.getProperties()));
            alone.addProperty(property, new StringSchema()._enum(List.of(one.name())));
            required(one.value()).forEach(alone::addRequiredItem);
            alone.addRequiredItem(property);
            schemas.put(name, alone);
        }
        schemas.put(type.getSimpleName(), union.discriminator(discriminator));
    }

    private static PathItem at(OpenAPI api, String path) {
        return requireNonNull(api.getPaths().get(path));
    }

    /** Layout files travel as they stand; what they hold is told by their own schema, at {@code /api/layout-schema}. */
    @Bean
    OpenApiCustomizer layoutFilesAreObjects() {
        Schema<?> file = new ObjectSchema().additionalProperties(true);
        return api -> {
            for (String path : List.of("/api/layouts", "/api/layouts/check")) {
                at(api, path).getPost().getRequestBody().getContent().values().forEach(c -> c.schema(file));
            }
            for (String path : List.of("/api/layouts/{id}", "/api/layout-schema", "/api/job-file-schema")) {
                ApiResponses answers = at(api, path).getGet().getResponses();
                requireNonNull(answers.get("200")).getContent().values().forEach(c -> c.schema(file));
            }
        };
    }

    @SuppressWarnings("rawtypes")
    private static Map<String, Schema> schemas(OpenAPI api) {
        return api.getComponents() == null || api.getComponents().getSchemas() == null
                ? Map.of()
                : api.getComponents().getSchemas();
    }

    private static List<String> required(Class<?> type) {
        List<String> names = new ArrayList<>();
        for (RecordComponent component : type.getRecordComponents()) {
            if (component.getType() != Optional.class) {
                names.add(component.getName());
            }
        }
        return names;
    }

    private static Map<String, Class<?>> apiRecords() {
        var scanner = new ClassPathScanningCandidateComponentProvider(false) {
            @Override
            protected boolean isCandidateComponent(AnnotatedBeanDefinition definition) {
                return true;
            }
        };
        scanner.addIncludeFilter(new AssignableTypeFilter(Record.class));
        return PACKAGES.stream()
                .flatMap(name -> scanner.findCandidateComponents(name).stream())
                .map(BeanDefinition::getBeanClassName)
                .map(OpenApiConfiguration::load)
                .collect(Collectors.toMap(Class::getSimpleName, type -> type));
    }

    private static Class<?> load(String name) {
        try {
            return Class.forName(name);
        } catch (ClassNotFoundException e) {
            throw new IllegalStateException("Impossible: " + name + " was found and cannot be loaded", e);
        }
    }
}
