package ebbtide.app.api;

import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The description of the api, from which the web's types are generated: records send every part, so all are required. */
@Configuration
class Description implements WebMvcConfigurer {
  @Bean
  @SuppressWarnings({"rawtypes", "unchecked"})
  OpenApiCustomizer everyPartIsSent() {
    return api -> {
      api.setServers(null);
      for (Map.Entry<String, Schema> entry : api.getComponents().getSchemas().entrySet()) {
        Schema schema = entry.getValue();
        if (schema.getProperties() != null) {
          schema.setRequired(new ArrayList<>(((Map<String, Schema>) schema.getProperties()).keySet()));
        }
      }
    };
  }

  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry.addResourceHandler("/**").addResourceLocations("classpath:/static/");
  }
}
