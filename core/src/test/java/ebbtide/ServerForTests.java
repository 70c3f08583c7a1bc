package ebbtide;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Debian's PostgreSQL, one for all tests of a run: in a folder of its own, on a free port of this machine, as an
 * ordinary user, ended with the run.
 */
public final class ServerForTests {
    private static final Path INSTALLED = Path.of("/usr/lib/postgresql");
    private static final String USER = "ebbtide";
    private static ServerForTests running;

    private final Path bin;
    private final Path folder;
    private final int port;
    private final Process process;

    private ServerForTests(Path bin, Path folder, int port, Process process) {
        this.bin = bin;
        this.folder = folder;
        this.port = port;
        this.process = process;
    }

    /** Who the tests are on it; it asks for no password. */
    public static String user() {
        return USER;
    }

    /** Makes an empty database, and returns its address. */
    public static synchronized String database(String name) {
        try {
            if (running == null) {
                running = start();
                Runtime.getRuntime().addShutdownHook(new Thread(running::stop));
            }
            running.run("createdb", "-h", "127.0.0.1", "-p", Integer.toString(running.port), "-U", USER, name);
            return "jdbc:postgresql://127.0.0.1:" + running.port + "/" + name;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static ServerForTests start() throws IOException {
        Path bin = newest();
        Path folder = Files.createTempDirectory("ebbtide-server");
        if (isRoot()) {
            Files.setOwner(
                    folder,
                    folder.getFileSystem().getUserPrincipalLookupService().lookupPrincipalByName("postgres"));
        }
        int port;
        try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            port = free.getLocalPort();
        }
        Path data = folder.resolve("data");
        new ServerForTests(bin, folder, port, null)
                .run("initdb", "-D", data.toString(), "-A", "trust", "-U", USER, "-E", "UTF8", "--locale=C", "-N");
        Process process = new ProcessBuilder(ordinary(List.of(
                        bin.resolve("postgres").toString(),
                        "-D",
                        data.toString(),
                        "-p",
                        Integer.toString(port),
                        "-c",
                        "listen_addresses=127.0.0.1",
                        "-c",
                        "unix_socket_directories=",
                        "-c",
                        "fsync=off")))
                .redirectErrorStream(true)
                .redirectOutput(Files.createTempFile("ebbtide-server", ".log").toFile())
                .start();
        ServerForTests server = new ServerForTests(bin, folder, port, process);
        server.awaitAnswer();
        return server;
    }

    private static Path newest() throws IOException {
        if (!Files.isDirectory(INSTALLED)) {
            throw new IllegalStateException("The tests need PostgreSQL: apt-get install postgresql");
        }
        try (Stream<Path> versions = Files.list(INSTALLED)) {
            return versions.filter(one -> Files.isExecutable(one.resolve("bin/initdb")))
                    .max(Comparator.comparing(
                            one -> Integer.parseInt(one.getFileName().toString())))
                    .orElseThrow(
                            () -> new IllegalStateException("The tests need PostgreSQL: apt-get install postgresql"))
                    .resolve("bin");
        }
    }

    private static boolean isRoot() {
        return System.getProperty("user.name").equals("root");
    }

    /** The server refuses to run as root. */
    private static List<String> ordinary(List<String> command) {
        List<String> all = new ArrayList<>();
        if (isRoot()) {
            all.addAll(List.of("setpriv", "--reuid=postgres", "--regid=postgres", "--clear-groups", "--"));
        }
        all.addAll(command);
        return all;
    }

    private void run(String program, String... arguments) throws IOException {
        List<String> command = new ArrayList<>();
        command.add(bin.resolve(program).toString());
        command.addAll(List.of(arguments));
        Process done = new ProcessBuilder(ordinary(command))
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(done.getInputStream().readAllBytes());
        try {
            if (done.waitFor() != 0) {
                throw new IllegalStateException(program + ": " + said);
            }
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private void awaitAnswer() throws IOException {
        for (int i = 0; i < 300 && process.isAlive(); i++) {
            try {
                new Socket(InetAddress.getLoopbackAddress(), port).close();
                run("psql", "-h", "127.0.0.1", "-p", Integer.toString(port), "-U", USER, "-c", "select 1", "postgres");
                return;
            } catch (IOException | IllegalStateException e) {
                pause();
            }
        }
        throw new IllegalStateException("The database server does not answer");
    }

    private static void pause() {
        try {
            Thread.sleep(100);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private void stop() {
        process.destroyForcibly();
        try {
            process.waitFor(10, TimeUnit.SECONDS);
            // Its helpers end by themselves once it is gone.
            Thread.sleep(500);
            try (Stream<Path> files = Files.walk(folder)) {
                files.sorted(Comparator.reverseOrder())
                        .forEach(file -> file.toFile().delete());
            }
        } catch (InterruptedException | IOException e) {
            System.err.println("The folder " + folder + " of the tests' server could not be removed.");
        }
    }
}
