package ebbtide.app.storage;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The database that the program works on: its own file, or a server that speaks PostgreSQL's protocol. Both read the
 * same SQL but for what stands here (docs/decisions/0034).
 */
@Component
public class Engine {
    private static final String SERVER = "jdbc:postgresql:";
    private final boolean server;

    public Engine(@Value("${spring.datasource.url:}") String url) {
        this.server = isServer(url);
    }

    /** Returns whether an address is that of a server. */
    public static boolean isServer(String url) {
        return url.startsWith(SERVER);
    }

    /** Returns whether it is a server, which others may work on at the same time. */
    public boolean isServer() {
        return server;
    }

    /** Returns the SQL for the next value of a sequence. */
    String next(String sequence) {
        return server ? "nextval('" + sequence + "')" : "next value for " + sequence;
    }
}
