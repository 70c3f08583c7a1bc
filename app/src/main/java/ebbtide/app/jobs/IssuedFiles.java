package ebbtide.app.jobs;

import ebbtide.app.storage.NotFound;
import ebbtide.money.Refused;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * What banks and a ledger issue under a local address, fetched as files. The address names the files of some days, a
 * line each: the line of the plan that a list is of, or nothing for a statement, a tab, and the path to fetch it by.
 * Without an address nothing is issued.
 */
@Component
public class IssuedFiles {
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private final @Nullable URI address;

    IssuedFiles(@Value("${ebbtide.issued:}") String address) {
        this.address = address.isBlank() ? null : URI.create(address);
        if (this.address != null && !List.of("127.0.0.1", "localhost", "[::1]").contains(this.address.getHost())) {
            throw new Refused(
                    "What banks and ledger issue is fetched from this machine alone, but not from '" + address + "'");
        }
    }

    /**
     * A file that was issued: its name, the line of the plan that it is a list of (null: a bank's statement), and what
     * is in it.
     */
    public record IssuedFile(String name, @Nullable String line, String text) {}

    /** Returns whether there is an address. */
    public boolean isThere() {
        return address != null;
    }

    /**
     * Returns the files of the days after one up to another.
     *
     * @throws NotFound without an address
     */
    public List<IssuedFile> fetch(LocalDate after, LocalDate upTo) {
        if (address == null) {
            throw new NotFound("address of banks and ledger", "");
        }
        List<IssuedFile> files = new ArrayList<>();
        for (String line :
                get(address, "/issued?after=" + after + "&upTo=" + upTo).lines().toList()) {
            String[] parts = line.split("\t", 2);
            String path = parts.length < 2 ? "" : parts[1];
            if (!path.startsWith("/") || path.startsWith("//")) {
                throw new Refused(
                        "Banks and ledger name a file by a path of their own address, but not by '" + line + "'");
            }
            String name = path.substring(path.lastIndexOf('/') + 1).replaceFirst("\\?.*", "");
            files.add(new IssuedFile(name, parts[0].isEmpty() ? null : parts[0], get(address, path)));
        }
        return files;
    }

    private static String get(URI address, String path) {
        try {
            HttpResponse<String> answer = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(address.resolve(path))
                                    .timeout(PATIENCE)
                                    .build(),
                            HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() != 200) {
                throw new Refused(answer.body());
            }
            return answer.body();
        } catch (IOException e) {
            throw new Refused("Banks and ledger do not answer under " + address + ": bring their files in by hand", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
