package ebbtide.app.access;

import java.io.IOException;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import org.jspecify.annotations.Nullable;

/** A program that has the data, as a command of the data's owner reaches it: its address, its key, its certificate. */
record Running(String address, String key, @Nullable Path certificate) {
    private static final Duration LONGEST = Duration.ofMinutes(30);

    /**
     * Asks it for something.
     *
     * @throws IOException where it does not answer, in a sentence
     */
    <T> HttpResponse<T> ask(String path, HttpResponse.BodyHandler<T> into) throws IOException {
        HttpClient.Builder client = HttpClient.newBuilder();
        if (certificate != null) {
            client.sslContext(PinnedCertificate.trusting(certificate));
        }
        HttpRequest asked = HttpRequest.newBuilder(URI.create(address + path))
                .header("Ebbtide-Key", key)
                .timeout(LONGEST)
                .build();
        try {
            return client.build().send(asked, into);
        } catch (ConnectException e) {
            throw new IOException(
                    "Another Ebbtide has the data and does not answer: try again once it has started, or has ended.",
                    e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("It was stopped.", e);
        }
    }
}
