package ebbtide.app.storage;

import ebbtide.Everywhere;
import ebbtide.app.OnServer;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** The same on a database server. */
@Everywhere
class CutOffOnServerTest extends CutOffTest {
    @DynamicPropertySource
    static void server(DynamicPropertyRegistry registry) {
        OnServer.use(registry);
    }
}
