package ebbtide.app.access;

import ebbtide.app.CommandLine;
import ebbtide.app.storage.DatabaseServer;
import ebbtide.money.Refused;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;

/** The database server that a command says, with who the program is there: from the environment, or of a file. */
final class ServerOption {
    /** The address of the server. */
    static final String DATABASE = "--database";
    /** The file with a line each for user and password. */
    static final String LOGIN = "--database-login";

    private static final String USER = "EBBTIDE_DATABASE_USER";
    private static final String PASSWORD = "EBBTIDE_DATABASE_PASSWORD";

    private ServerOption() {}

    /**
     * Returns the server, nothing where the data are in a file.
     *
     * @throws Refused where it is not said who the program is there
     */
    static Optional<DatabaseServer> of(CommandLine line) {
        String url = line.options().get(DATABASE);
        if (url == null) {
            return Optional.empty();
        }
        Properties said = said(line);
        String user = said.getProperty("user", "").strip();
        if (user.isEmpty()) {
            throw new Refused("Say who the program is on the server: in " + USER + " and " + PASSWORD + ", or by "
                    + LOGIN + " FILE with a line each for user and password");
        }
        return Optional.of(new DatabaseServer(url, user, said.getProperty("password", "")));
    }

    private static Properties said(CommandLine line) {
        Properties said = new Properties();
        String file = line.options().get(LOGIN);
        if (file == null) {
            Map<String, String> environment = System.getenv();
            said.setProperty("user", environment.getOrDefault(USER, ""));
            said.setProperty("password", environment.getOrDefault(PASSWORD, ""));
            return said;
        }
        try (Reader reader = Files.newBufferedReader(Path.of(file))) {
            said.load(reader);
            return said;
        } catch (IOException | IllegalArgumentException e) {
            throw new Refused("The file '" + file + "' is not there, or cannot be read", e);
        }
    }
}
