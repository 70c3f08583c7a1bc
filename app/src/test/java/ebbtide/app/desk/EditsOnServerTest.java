package ebbtide.app.desk;

import ebbtide.Everywhere;
import ebbtide.app.OnServer;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** The same on a database server. */
@Everywhere
class EditsOnServerTest extends EditsTest {
    @DynamicPropertySource
    static void server(DynamicPropertyRegistry registry) {
        OnServer.use(registry);
    }
}
