package ebbtide.app.api;

import io.swagger.v3.oas.models.SpecVersion;
import io.swagger.v3.oas.models.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * The description of the api, from which the web's types are generated: records send every part, so all are required
 * but what says otherwise.
 */
@Configuration
class Description implements WebMvcConfigurer {
    /** What is not sent where there is none of it. */
    private static final Map<String, Set<String>> LEFT_OUT =
            Map.of("CellView", Set.of("computed", "overdue", "day", "depth", "base"));

    @Bean
    @SuppressWarnings({"rawtypes", "unchecked"})
    OpenApiCustomizer everyPartIsSent() {
        return api -> {
            api.setServers(null);
            for (Map.Entry<String, Schema> entry :
                    api.getComponents().getSchemas().entrySet()) {
                Schema schema = entry.getValue();
                if (schema.getProperties() != null) {
                    Map<String, Schema> parts = schema.getProperties();
                    schema.setRequired(parts.keySet().stream()
                            .filter(part -> !LEFT_OUT.getOrDefault(entry.getKey(), Set.of())
                                    .contains(part))
                            .toList());
                    parts.replaceAll((name, part) -> reference(part));
                }
            }
            DocumentPart.describe(api);
        };
    }

    /**
     * What stands beside a reference is of the Java type, and says nothing; but beside the type null it becomes one of
     * the two.
     */
    @SuppressWarnings({"rawtypes", "unchecked"})
    private static Schema reference(Schema part) {
        if (part.get$ref() == null) {
            return part;
        }
        if (part.getTypes() == null || !part.getTypes().contains("null")) {
            return new Schema<>().$ref(part.get$ref());
        }
        Schema either = new Schema();
        either.setOneOf(
                List.of(new Schema<>().$ref(part.get$ref()), new Schema<>(SpecVersion.V31).types(Set.of("null"))));
        return either;
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/**").addResourceLocations("classpath:/static/");
    }
}
