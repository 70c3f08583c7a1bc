package ebbtide.app.api;

import ebbtide.app.desk.TakenOut;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Notes who took what out of the program, once it was given out. */
@Component
class ExportsNoted implements HandlerInterceptor, WebMvcConfigurer {
    private final TakenOut takenOut;

    ExportsNoted(TakenOut takenOut) {
        this.takenOut = takenOut;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable Exception failure) {
        Exports exports = handler instanceof HandlerMethod method ? method.getMethodAnnotation(Exports.class) : null;
        if (exports != null && response.getStatus() == HttpStatus.OK.value()) {
            Object parts = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
            takenOut.note(
                    parts instanceof Map<?, ?> named && named.get("plan") instanceof String plan ? plan : null,
                    exports.value());
        }
    }
}
