package ebbtide.app.api;

import ebbtide.app.people.Role;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** The least role in a plan for which an endpoint is there, where it is not the usual one ({@link PlanRights}). */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@interface Allowed {
    Role value();
}
