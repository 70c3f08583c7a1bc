package ebbtide.app;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.parallel.ResourceAccessMode;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;

/** A test of the whole application on a database that lives in memory. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(
        classes = Ebbtide.class,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:test;DB_CLOSE_DELAY=-1",
            "spring.datasource.hikari.maximum-pool-size=4"
        })
@AutoConfigureMockMvc
@ResourceLock(value = InMemory.BEING_KEPT, mode = ResourceAccessMode.READ)
public @interface InMemory {
    /**
     * What is being kept of files in the database that all tests share: a start takes up whatever was begun and is not
     * kept.
     */
    String BEING_KEPT = "statements being kept";
}
