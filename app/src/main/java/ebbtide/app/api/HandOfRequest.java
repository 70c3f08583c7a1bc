package ebbtide.app.api;

import ebbtide.app.desk.Hand;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Tells the desk whose work a request is, and which scenario it looks at. */
@Component
class HandOfRequest extends OncePerRequestFilter {
    /** The header in which a request says which scenario it looks at. */
    static final String SCENARIO = "Ebbtide-Scenario";
    /** The parameter in which a link says so, which has no headers. */
    private static final String PARAMETER = "scenario";

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String said = request.getHeader(SCENARIO);
        // A form is not read for it: its file may be large, and is not wanted before its limit is known.
        String id = said != null ? said : inAddress(request);
        new Hand(Hand.OWN.author(), id == null || id.isEmpty() ? null : id)
                .<ServletException>does(() -> chain.doFilter(request, response));
    }

    private static String inAddress(HttpServletRequest request) {
        return request.getQueryString() == null ? null : request.getParameter(PARAMETER);
    }
}
