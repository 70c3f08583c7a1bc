package ebbtide.app.api;

import ebbtide.Everywhere;
import ebbtide.app.OnServer;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** The same on a database server. */
@Everywhere
class StatementsApiOnServerTest extends StatementsApiTest {
    @DynamicPropertySource
    static void server(DynamicPropertyRegistry registry) {
        OnServer.use(registry);
    }
}
