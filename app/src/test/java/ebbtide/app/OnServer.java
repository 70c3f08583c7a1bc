package ebbtide.app;

import ebbtide.ServerForTests;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.test.context.DynamicPropertyRegistry;

/** What a test of the whole application says to have its database on a server. */
public final class OnServer {
    private static final AtomicInteger COUNT = new AtomicInteger();

    private OnServer() {}

    /** Has the application work on an empty database of a server. */
    public static void use(DynamicPropertyRegistry registry) {
        String url = ServerForTests.database("tests" + COUNT.incrementAndGet());
        registry.add("spring.datasource.url", () -> url);
        registry.add("spring.datasource.username", ServerForTests::user);
        registry.add("spring.flyway.locations", ebbtide.app.storage.DatabaseServer::migrations);
    }
}
