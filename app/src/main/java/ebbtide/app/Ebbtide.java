package ebbtide.app;

import ebbtide.app.access.BackupCommand;
import ebbtide.app.access.Doctor;
import ebbtide.app.access.Startup;
import java.time.Clock;
import java.util.Arrays;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The program: {@code start} and {@code demo} serve the application, {@code forecast} computes a plan file. */
@EnableScheduling
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class Ebbtide {
    /** Runs a command; the exit code is not 0 when it could not be done. */
    public static void main(String[] args) {
        String command = args.length == 0 ? "" : args[0];
        String[] rest = args.length == 0 ? args : Arrays.copyOfRange(args, 1, args.length);
        switch (command) {
            case "start" -> exitUnlessRunning(Startup.start(rest));
            case "demo" -> exitUnlessRunning(Startup.demo(rest));
            case "backup" -> System.exit(BackupCommand.backup(rest));
            case "restore" -> System.exit(BackupCommand.restore(rest));
            case "doctor" -> System.exit(Doctor.run(rest, System.out));
            case "parts" -> System.exit(PartsCommand.run(System.out));
            case "forecast" -> System.exit(ForecastCommand.run(rest, System.out, System.err));
            default -> {
                System.err.println(
                        "Say what to do: demo, start, backup, restore, doctor, parts or forecast; './ebbtide help' explains them.");
                System.exit(64);
            }
        }
    }

    private static void exitUnlessRunning(int code) {
        if (code != 0) {
            System.exit(code);
        }
    }

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
