package ebbtide;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.Tag;

/**
 * A journey that goes everywhere at once, into every view, panel and field, every moment of an import, every kind of
 * line by keyboard alone or every week of half a year, where others go through a job: what checks a change asks it,
 * {@code ./ebbtide test} without {@code --all} does not (decisions/0024).
 */
@Tag("everywhere")
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface Everywhere {}
