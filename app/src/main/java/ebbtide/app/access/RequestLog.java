package ebbtide.app.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerMapping;

/** Writes what was asked and how it was answered: the kind of request, never what was in it. */
@Component
@Order(RequestLog.FIRST)
class RequestLog extends OncePerRequestFilter {
    static final int FIRST = -1000;
    private static final long SLOW_MILLIS = 2_000;
    /** Who is not known, or may not. */
    private static final Set<Integer> TOLD =
            Set.of(HttpServletResponse.SC_UNAUTHORIZED, HttpServletResponse.SC_FORBIDDEN);

    private static final Logger LOG = LoggerFactory.getLogger(RequestLog.class);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long begun = System.nanoTime();
        try {
            chain.doFilter(request, response);
        } finally {
            long millis = (System.nanoTime() - begun) / 1_000_000;
            Object pattern = request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE);
            String asked = request.getMethod() + " " + (pattern == null ? "a file" : pattern);
            int status = response.getStatus();
            if (TOLD.contains(status)
                    || status >= HttpServletResponse.SC_INTERNAL_SERVER_ERROR
                    || millis > SLOW_MILLIS && !request.isAsyncStarted()) {
                LOG.info("{} answered {} after {} ms", asked, status, millis);
            } else {
                LOG.debug("{} answered {} after {} ms", asked, status, millis);
            }
        }
    }
}
