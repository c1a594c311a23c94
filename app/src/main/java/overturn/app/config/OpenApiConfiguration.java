package overturn.app.config;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
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

    private static final String API_PACKAGE = "overturn.app.api";

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
        return scanner.findCandidateComponents(API_PACKAGE).stream()
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
