package ebbtide.app.access;

import ebbtide.app.CommandLine;
import ebbtide.app.Ebbtide;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.jobs.BankFiles;
import ebbtide.app.people.People;
import ebbtide.app.storage.DatabaseFile;
import ebbtide.app.storage.NoRoom;
import ebbtide.app.storage.Passphrase;
import ebbtide.app.storage.PlanStore;
import ebbtide.app.storage.StatementStore;
import ebbtide.money.Refused;
import ebbtide.sim.DemoCompany;
import ebbtide.sim.DemoPast;
import ebbtide.sim.ProviderStandIn;
import ebbtide.sim.StandIns;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.PayloadApplicationEvent;

/** Starting the server: what can stand in the way is looked for first, and each refusal is one sentence. */
public final class Startup {
    private static final int REFUSED = 1;
    private static final Logger LOG = LoggerFactory.getLogger(Startup.class);
    /** Says that the data are encrypted on the disk. */
    static final String ENCRYPT = "--encrypt";

    /** Where the passphrase is said where nobody can type it. */
    private static final String PASSPHRASE = "EBBTIDE_PASSPHRASE";

    private static final Set<String> OPTIONS = Set.of(
            "--port",
            "--data",
            "--host",
            "--backups",
            LogFile.LEVEL,
            Reach.NAMES,
            Reach.TLS,
            Reach.PROVIDER,
            ServerOption.DATABASE,
            ServerOption.LOGIN);

    private Startup() {}

    /** Starts with the user's own data; returns 0 when running, else 1 after saying why not. */
    public static int start(String[] args) {
        return guarded(() -> {
            CommandLine line = line(args, OPTIONS, Set.of(ENCRYPT, Reach.PEOPLE, Reach.BEHIND_PROXY));
            DataFolder data = data(line);
            run(
                    line,
                    data,
                    line.options()
                            .getOrDefault(
                                    "--backups", data.path().resolve("backups").toString()));
        });
    }

    /** Starts with the demo company in a folder that goes when the program ends. */
    public static int demo(String[] args) {
        return guarded(() -> {
            CommandLine line = line(
                    args,
                    Set.of("--port", "--host", Reach.NAMES, Reach.TLS, Reach.PROVIDER),
                    Set.of(Reach.PEOPLE, Reach.BEHIND_PROXY));
            Path folder = Files.createTempDirectory("ebbtide-demo");
            Runtime.getRuntime().addShutdownHook(new Thread(() -> delete(folder)));
            run(line, new DataFolder(folder), "");
        });
    }

    /** The folder that a command says, or the usual one. */
    static DataFolder data(CommandLine line) {
        return new DataFolder(
                Path.of(line.options().getOrDefault("--data", System.getProperty("user.home") + "/.ebbtide")));
    }

    /** A step of the start that may refuse with a sentence. */
    interface Step {
        void run() throws IOException;
    }

    static int guarded(Step step) {
        try {
            step.run();
            return 0;
        } catch (Refused | IOException | NoRoom e) {
            String said = String.valueOf(e.getMessage());
            System.err.println(said.endsWith(".") ? said : said + ".");
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

    /**
     * Returns the passphrase of data that are encrypted, typed or from the environment.
     *
     * @throws Refused where it is neither, or too short
     */
    static Passphrase passphrase(CommandLine line) {
        if (!line.switches().contains(ENCRYPT)) {
            return Passphrase.NONE;
        }
        String said = System.getenv(PASSPHRASE);
        if (said == null && System.console() != null) {
            said = new String(System.console().readPassword("Passphrase of the data: "));
        }
        if (said == null || said.isEmpty()) {
            throw new Refused("Say the passphrase of the data in the variable " + PASSPHRASE
                    + ", or start it where it can be typed.");
        }
        return new Passphrase(said);
    }

    private static CommandLine line(String[] args, Set<String> known, Set<String> switches) {
        CommandLine line = CommandLine.of(args, known, switches);
        if (!line.words().isEmpty()) {
            throw new Refused("'" + line.words().get(0) + "' is not understood here; options are "
                    + String.join(", ", known.stream().sorted().toList()) + ".");
        }
        return line;
    }

    /** Without a folder of backups it is the demo. */
    private static void run(CommandLine line, DataFolder data, String backups) throws IOException {
        boolean demo = backups.isEmpty();
        Reach reach = Reach.of(line, port(line.options().getOrDefault("--port", "8080")));
        Map<String, Object> settings = new LinkedHashMap<>(reach.settings());
        settings.putAll(LogFile.settings(line, data.path(), demo));
        StartData start = new StartData(new DatabaseFile(data.path(), passphrase(line)), ServerOption.of(line));
        data.claim();
        requireFree(reach.host(), reach.port());
        settings.putAll(start.open(Path.of(backups)));
        settings.put("ebbtide.data", data.path().toString());
        settings.put(
                "spring.servlet.multipart.location",
                data.path().resolve(BankFiles.FOLDER).toAbsolutePath().toString());
        settings.put("ebbtide.backups", backups);
        settings.put("ebbtide.key", UUID.randomUUID().toString());
        if (demo) {
            StandIns standIns = StandIns.start();
            Runtime.getRuntime().addShutdownHook(new Thread(standIns::close));
            settings.put("ebbtide.issued", standIns.address());
            if (reach.people() && !settings.containsKey("ebbtide.provider.issuer")) {
                ProviderStandIn provider = ProviderStandIn.start();
                Runtime.getRuntime().addShutdownHook(new Thread(provider::close));
                provider.settings().forEach((key, value) -> settings.put("ebbtide.provider." + key, value));
            }
        }
        serve(settings, reach, data, demo);
    }

    private static void serve(Map<String, Object> settings, Reach reach, DataFolder data, boolean demo)
            throws IOException {
        SpringApplication application = new SpringApplication(Ebbtide.class);
        application.setDefaultProperties(settings);
        application.setLogStartupInfo(false);
        // It is not found out by itself where no main method stands below, as when the program listens anew.
        application.setMainApplicationClass(Ebbtide.class);
        ConfigurableApplicationContext context = application.run();
        context.getBean(StatementStore.class).takeUpAtStart().forEach(one -> System.out.println(one.sentence() + "."));
        if (demo && context.getBean(PlanStore.class).all().isEmpty()) {
            context.getBean(WholePlans.class).add(DemoCompany.document(), DemoPast.forecasts());
        }
        People people = context.getBean(People.class);
        String port = String.valueOf(context.getEnvironment().getProperty("local.server.port"));
        boolean first = reach.people() && !people.isAnybodyThere();
        String address = (first ? reach.atHome() : reach.address()) + ":" + port;
        data.announce(new Running(address, String.valueOf(settings.get("ebbtide.key")), reach.certificate()));
        if (first) {
            System.out.println("Nobody can sign in yet" + reach.untilThen()
                    + ". Open this link on this machine, within a day, to be the first: " + address + "/#/come/"
                    + people.inviteFirst());
            if (!reach.isAtHome()) {
                AtomicBoolean asked = new AtomicBoolean();
                context.addApplicationListener((PayloadApplicationEvent<People.FirstCame> came) -> {
                    if (!asked.getAndSet(true)) {
                        again(context, settings, reach, data, demo);
                    }
                });
            }
        }
        LOG.info("Ready with {} plans", context.getBean(PlanStore.class).all().size());
        String where = demo ? "the demo company" : "the data in " + settings.get(StartData.WHERE);
        System.out.println("Ebbtide is ready on " + address + " with " + where + ". Ctrl+C ends it.");
    }

    /** Once somebody can sign in it listens where it was told to. */
    private static void again(
            ConfigurableApplicationContext context,
            Map<String, Object> settings,
            Reach reach,
            DataFolder data,
            boolean demo) {
        Thread thread = new Thread(
                () -> guarded(() -> {
                    context.close();
                    serve(settings, reach, data, demo);
                }),
                "listens-anew");
        // The request that it comes from is answered by a thread that keeps no program running, and ends with the
        // server.
        thread.setDaemon(false);
        thread.setContextClassLoader(Startup.class.getClassLoader());
        thread.start();
    }

    /** Returns the port that a text says; refuses any other text in a sentence. */
    static int port(String text) {
        try {
            int port = Integer.parseInt(text);
            if (port >= 0 && port <= 65535) {
                return port;
            }
        } catch (NumberFormatException e) {
            // The sentence below says what is wrong with it.
        }
        throw new Refused("A port is a number from 1 to 65535, or 0 for any that is free, but was '" + text + "'.");
    }

    static void requireFree(String host, int port) {
        try (ServerSocket socket = new ServerSocket()) {
            socket.setReuseAddress(true);
            socket.bind(new InetSocketAddress(InetAddress.getByName(host), port));
        } catch (IOException e) {
            throw new Refused(
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
