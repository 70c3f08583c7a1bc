package ebbtide.app.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * How much may be sent where: each kind of file has the limit that its job needs, everything else is a form's worth.
 * What is larger is refused by its length, before any of it is read, so that nothing sent fills the memory.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class UploadLimits extends OncePerRequestFilter {
    /** A file that is sent somewhere: the most megabytes, and what to do with a larger one. */
    record UploadLimit(Pattern path, int megabytes, String advice) {
        long bytes() {
            return (long) megabytes << 20;
        }
    }

    private static final UploadLimit USUAL = new UploadLimit(Pattern.compile(".*"), 8, "send it in parts");
    private static final List<UploadLimit> LIMITS = List.of(
            of("bank-files", 512, "export fewer days at a time from the bank"),
            of("item-lists/.*", 30, "bring in the list in parts, by line or by date"),
            of("budget", 20, "bring in the sheet with the budget alone"),
            of("ledger/months/[^/]+", 20, "bring in the sheet with the trial balance alone"),
            of("lines/[^/]+/assets/read", 20, "bring in the sheet with the register alone"),
            of("statements/opening/read", 20, "bring in the sheet with the balances alone"),
            new UploadLimit(Pattern.compile("/api/plans"), 48, "export the plan without its snapshots and log"));

    private static UploadLimit of(String place, int megabytes, String advice) {
        return new UploadLimit(Pattern.compile("/api/plans/[^/]+/" + place), megabytes, advice);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<Refusal> refused = refusal(request);
        if (refused.isPresent()) {
            Answer.problem(response, refused.get().status(), refused.get().sentence());
        } else {
            chain.doFilter(request, response);
        }
    }

    private record Refusal(HttpStatus status, String sentence) {}

    private static Optional<Refusal> refusal(HttpServletRequest request) {
        if (request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null) {
            return Optional.of(new Refusal(
                    HttpStatus.LENGTH_REQUIRED,
                    "What is sent says how long it is (Content-Length), and is not chunked."));
        }
        UploadLimit limit = limit(request.getRequestURI());
        return request.getContentLengthLong() <= limit.bytes()
                ? Optional.empty()
                : Optional.of(new Refusal(
                        HttpStatus.CONTENT_TOO_LARGE,
                        "What was sent is larger than " + limit.megabytes() + " MB, the most that is taken here: "
                                + limit.advice() + "."));
    }

    /** Returns the limit of what is sent to a path. */
    static UploadLimit limit(String path) {
        return LIMITS.stream()
                .filter(one -> one.path().matcher(path).matches())
                .findFirst()
                .orElse(USUAL);
    }
}
