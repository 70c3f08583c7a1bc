package ebbtide.app.access;

import ebbtide.app.CommandLine;
import ebbtide.money.Refused;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Where the program is reached, and by whom: on this machine alone by the one person at it, or by people who sign in.
 * Wherever others can reach it, they sign in.
 */
record Reach(
        String host,
        int port,
        boolean people,
        boolean behindProxy,
        String names,
        @Nullable Tls tls,
        Map<String, Object> provider) {
    /** Says that people sign in on this machine too. */
    static final String PEOPLE = "--people";
    /** Says that what a proxy tells of the address is true. */
    static final String BEHIND_PROXY = "--behind-proxy";
    /** The names by which it is reached, besides its host. */
    static final String NAMES = "--names";
    /** The files of certificate and key, PEM, with a comma between. */
    static final String TLS = "--tls";

    /** The file that says by which provider people can sign in. */
    static final String PROVIDER = "--provider";

    private static final String HOME = "127.0.0.1";
    private static final Set<String> AT_HOME = Set.of(HOME, "localhost", "::1");

    /** The files by which it is reached encrypted. */
    private record Tls(Path certificate, Path key) {
        static Tls of(String said) {
            String[] files = said.split(",");
            if (files.length != 2) {
                throw new Refused("Say the files of certificate and key with a comma between: --tls cert.pem,key.pem");
            }
            Tls tls = new Tls(Path.of(files[0].strip()), Path.of(files[1].strip()));
            for (Path file : new Path[] {tls.certificate, tls.key}) {
                if (!Files.isReadable(file)) {
                    throw new Refused("The file '" + file + "' is not there, or cannot be read");
                }
            }
            return tls;
        }
    }

    /**
     * Returns what a command says of it.
     *
     * @throws Refused where files of a certificate are not there
     */
    static Reach of(CommandLine line, int port) {
        String host = line.options().getOrDefault("--host", HOME);
        boolean behindProxy = line.switches().contains(BEHIND_PROXY);
        return new Reach(
                host,
                port,
                line.switches().contains(PEOPLE) || behindProxy || !AT_HOME.contains(host),
                behindProxy,
                line.options().getOrDefault(NAMES, ""),
                line.options().containsKey(TLS) ? Tls.of(line.options().get(TLS)) : null,
                line.options().containsKey(PROVIDER)
                        ? provider(Path.of(line.options().get(PROVIDER)))
                        : Map.of());
    }

    /**
     * The settings of a provider of sign-ins, of its file: issuer, client, secret, and the name that people call it.
     */
    private static Map<String, Object> provider(Path file) {
        Properties said = new Properties();
        try (Reader reader = Files.newBufferedReader(file)) {
            said.load(reader);
        } catch (IOException | IllegalArgumentException e) {
            throw new Refused("The file '" + file + "' is not there, or cannot be read", e);
        }
        Map<String, Object> settings = new LinkedHashMap<>();
        for (String key : List.of("issuer", "client", "secret", "name")) {
            String value = said.getProperty(key, "").strip();
            if (value.isEmpty()) {
                throw new Refused(
                        "The file '" + file + "' of the provider says no " + key
                                + ": it has a line each for issuer, client, secret and name, as in issuer=https://id.example.org");
            }
            settings.put("ebbtide.provider." + key, value);
        }
        return settings;
    }

    boolean isAtHome() {
        return AT_HOME.contains(host);
    }

    /** Returns the file of the certificate by which it is reached encrypted, null where it is not. */
    @Nullable
    Path certificate() {
        return tls == null ? null : tls.certificate().toAbsolutePath();
    }

    String address() {
        return scheme() + host;
    }

    /** Returns the address on this machine, on which it is reached while nobody can sign in. */
    String atHome() {
        return scheme() + (isAtHome() ? host : HOME);
    }

    private String scheme() {
        return tls == null ? "http://" : "https://";
    }

    String untilThen() {
        return isAtHome() ? "" : ", so it does not listen on " + host;
    }

    /** Returns the settings by which the server listens. */
    Map<String, Object> settings() {
        Map<String, Object> settings = new LinkedHashMap<>();
        settings.put("server.port", port);
        settings.put("ebbtide.host", host);
        settings.put("ebbtide.people", people);
        settings.put("ebbtide.names", names);
        settings.putAll(provider);
        settings.put("server.forward-headers-strategy", behindProxy ? "native" : "none");
        if (tls != null) {
            settings.put("server.ssl.certificate", "file:" + tls.certificate().toAbsolutePath());
            settings.put(
                    "server.ssl.certificate-private-key", "file:" + tls.key().toAbsolutePath());
        }
        return settings;
    }
}
