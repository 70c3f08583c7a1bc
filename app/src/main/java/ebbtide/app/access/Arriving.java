package ebbtide.app.access;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.util.concurrent.Semaphore;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Keeps what is being sent from taking every thread: of requests that bring something, so many at a time, however
 * slowly it comes. Who only reads is never kept waiting by one that does not come to its end.
 */
@Component
class Arriving implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    /** Half of the server's threads. */
    private static final int MOST = 100;

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addEngineValves(new Counted());
    }

    /** It stands before all filters, as it must be able to leave what is still to come unread. */
    private static final class Counted extends ValveBase {
        private final Semaphore places = new Semaphore(MOST);

        Counted() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            if (request.getContentLengthLong() <= 0 && request.getHeader("Transfer-Encoding") == null) {
                getNext().invoke(request, response);
            } else if (places.tryAcquire()) {
                try {
                    getNext().invoke(request, response);
                } finally {
                    places.release();
                }
            } else {
                request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
                Answer.problem(
                        response.getResponse(),
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "Too much is being sent at once: nothing was changed. Try it again in a moment.");
            }
        }
    }
}
