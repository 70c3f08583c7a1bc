package ebbtide.app.api;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** For whom an endpoint is there that is of no plan, where it is not for every person ({@link PlanRights}). */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@interface AllowedTo {
    /** Who asks. */
    enum Who {
        /** Nobody in particular. */
        ANYBODY,
        /** A person, or whoever has a link. */
        KNOWN,
        /** Those who look after people and data. */
        STEWARD
    }

    Who value();
}
