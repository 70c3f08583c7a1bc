package ebbtide.e2e;

import ebbtide.Everywhere;
import ebbtide.ServerForTests;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;

/** The same on a database server. */
@Everywhere
class AttackOnServerTest extends AttackTest {
    private final Map<Path, String> databases = new HashMap<>();

    @Override
    Running start(Path data) {
        Path login = data.resolve("login");
        try {
            Files.writeString(login, "user=" + ServerForTests.user() + "\n");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        String database = databases.computeIfAbsent(
                data, folder -> ServerForTests.database("attacked" + Math.abs(folder.hashCode())));
        return Running.start(
                "start", "--data", data.toString(), "--database", database, "--database-login", login.toString());
    }
}
