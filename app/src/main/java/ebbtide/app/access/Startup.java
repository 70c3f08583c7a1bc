package ebbtide.app.access;

import ebbtide.app.CommandLine;
import ebbtide.app.Ebbtide;
import ebbtide.app.storage.Edits;
import ebbtide.app.storage.FileSpace;
import ebbtide.app.storage.PlanStore;
import ebbtide.app.storage.StatementStore;
import ebbtide.sim.DemoCompany;
import ebbtide.sim.DemoPast;
import ebbtide.sim.StandIns;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** Starting the server: what can stand in the way is looked for first, and each refusal is one sentence. */
public final class Startup {
    private static final int REFUSED = 1;
    private static final Set<String> OPTIONS = Set.of("--port", "--data", "--host");

    /** Held until the process ends: a channel that is collected lets its lock go. */
    private static @Nullable FileLock inUse;

    private Startup() {}

    /** Starts with the user's own data; returns 0 when running, else 1 after saying why not. */
    public static int start(String[] args) {
        return guarded(() -> {
            CommandLine line = line(args, OPTIONS);
            String data = line.options().getOrDefault("--data", System.getProperty("user.home") + "/.ebbtide");
            run(line, Path.of(data), false);
        });
    }

    /** Starts with the demo company in a folder that goes when the program ends. */
    public static int demo(String[] args) {
        return guarded(() -> {
            CommandLine line = line(args, Set.of("--port", "--host"));
            Path folder = Files.createTempDirectory("ebbtide-demo");
            Runtime.getRuntime().addShutdownHook(new Thread(() -> delete(folder)));
            run(line, folder, true);
        });
    }

    /** A step of the start that may refuse with a sentence. */
    private interface Step {
        void run() throws IOException;
    }

    private static int guarded(Step step) {
        try {
            step.run();
            return 0;
        } catch (IllegalArgumentException | IOException e) {
            System.err.println(e.getMessage());
            return REFUSED;
        } catch (SpringApplication.AbandonedRunException e) {
            // The build looks at what would be started, and goes no further.
            throw e;
        } catch (RuntimeException e) {
            Throwable cause = e;
            while (cause.getCause() != null) {
                cause = cause.getCause();
            }
            System.err.println("Ebbtide could not start: " + cause.getMessage());
            return REFUSED;
        }
    }

    private static CommandLine line(String[] args, Set<String> known) {
        CommandLine line = CommandLine.of(args, known);
        if (!line.words().isEmpty()) {
            throw new IllegalArgumentException("'" + line.words().get(0) + "' is not understood here; options are "
                    + String.join(", ", known.stream().sorted().toList()) + ".");
        }
        return line;
    }

    private static void run(CommandLine line, Path data, boolean demo) throws IOException {
        String host = line.options().getOrDefault("--host", "127.0.0.1");
        int port = port(line.options().getOrDefault("--port", "8080"));
        requireWritable(data);
        requireAlone(data);
        requireFree(host, port);
        Map<String, Object> settings = new LinkedHashMap<>();
        settings.put("server.address", host);
        settings.put("server.port", port);
        settings.put("ebbtide.host", host);
        settings.put("ebbtide.data", data.toString());
        settings.put(
                "spring.datasource.url",
                FileSpace.url("file:" + data.toAbsolutePath().resolve("ebbtide")));
        if (demo) {
            StandIns standIns = StandIns.start();
            Runtime.getRuntime().addShutdownHook(new Thread(standIns::close));
            settings.put("ebbtide.issued", standIns.address());
        }
        SpringApplication application = new SpringApplication(Ebbtide.class);
        application.setDefaultProperties(settings);
        application.setLogStartupInfo(false);
        ConfigurableApplicationContext context = application.run();
        context.getBean(StatementStore.class).takeUpCutOff().forEach(one -> System.out.println(one.sentence() + "."));
        if (demo && context.getBean(PlanStore.class).all().isEmpty()) {
            context.getBean(Edits.class).add(DemoCompany.document(), DemoPast.forecasts());
        }
        System.out.println("Ebbtide is ready on http://" + host + ":"
                + context.getEnvironment().getProperty("local.server.port")
                + (demo ? " with the demo company" : " with the data in " + data) + ". Ctrl+C ends it.");
    }

    private static int port(String text) {
        try {
            int port = Integer.parseInt(text);
            if (port >= 0 && port <= 65535) {
                return port;
            }
        } catch (NumberFormatException e) {
            // The sentence below says what is wrong with it.
        }
        throw new IllegalArgumentException(
                "A port is a number from 1 to 65535, or 0 for any that is free, but was '" + text + "'.");
    }

    private static void requireWritable(Path data) {
        try {
            Files.createDirectories(data);
            Files.delete(Files.createTempFile(data, "try", ""));
        } catch (IOException e) {
            throw new IllegalArgumentException(
                    "The folder '" + data + "' cannot be written: choose another with --data DIR.");
        }
    }

    /** The lock lives as long as the process; H2's own would answer with a stack trace. */
    private static void requireAlone(Path data) throws IOException {
        inUse = new RandomAccessFile(data.resolve("in-use").toFile(), "rw")
                .getChannel()
                .tryLock();
        if (inUse == null) {
            throw new IllegalArgumentException("The data in '" + data
                    + "' is in use by another Ebbtide: end that one, or choose another folder with --data DIR.");
        }
    }

    private static void requireFree(String host, int port) {
        try (ServerSocket socket = new ServerSocket()) {
            socket.setReuseAddress(true);
            socket.bind(new InetSocketAddress(InetAddress.getByName(host), port));
        } catch (IOException e) {
            throw new IllegalArgumentException(
                    "The port " + port + " on " + host + " is taken by another program: choose another with --port N.");
        }
    }

    private static void delete(Path folder) {
        try (Stream<Path> files = Files.walk(folder)) {
            files.sorted(Comparator.reverseOrder())
                    .forEach(file -> file.toFile().delete());
        } catch (IOException e) {
            System.err.println("The demo's folder " + folder + " could not be removed.");
        }
    }
}
