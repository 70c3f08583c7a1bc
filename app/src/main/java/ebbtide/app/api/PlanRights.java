package ebbtide.app.api;

import ebbtide.app.people.Rights;
import ebbtide.app.people.Role;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Asks the desk's rights before anything of a plan is answered: reading takes a viewer, changing an editor; what is of
 * no plan takes a person, unless an endpoint says otherwise. What an edit does is held against them once more where it
 * is made.
 */
@Component
class PlanRights implements HandlerInterceptor, WebMvcConfigurer {
    private final Rights rights;

    PlanRights(Rights rights) {
        this.rights = rights;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (handler instanceof HandlerMethod method
                && request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> parts) {
            if (parts.get("plan") instanceof String plan) {
                Allowed allowed = method.getMethodAnnotation(Allowed.class);
                boolean reads =
                        request.getMethod().equals("GET") || request.getMethod().equals("HEAD");
                rights.require(plan, allowed != null ? allowed.value() : reads ? Role.VIEWER : Role.EDITOR);
            } else {
                AllowedTo to = method.getMethodAnnotation(AllowedTo.class);
                if (to == null) {
                    rights.requirePerson();
                } else if (to.value() == AllowedTo.Who.STEWARD) {
                    rights.requireSteward();
                }
            }
        }
        return true;
    }
}
