package ebbtide.app.api;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** What an endpoint gives out to be kept elsewhere, in the words of the log ({@link ExportsNoted}). */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@interface Exports {
    String value();
}
